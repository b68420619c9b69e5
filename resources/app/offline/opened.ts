import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';

/** A store of this device, opened when it is first needed and once. Where another window wants a newer shape, it is let go of and opened again. */
export function opened<Store extends DBSchema>(
    name: string,
    version: number,
    upgrade: NonNullable<OpenDBCallbacks<Store>['upgrade']>,
): () => Promise<IDBPDatabase<Store>> {
    let open: Promise<IDBPDatabase<Store>> | null = null;
    return () =>
        (open ??= openDB<Store>(name, version, {
            upgrade,
            blocking: (_, __, event) => {
                (event.target as IDBDatabase).close();
                open = null;
            },
        }));
}
