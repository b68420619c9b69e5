import createClient from 'openapi-fetch';
import type { components, paths } from './generated/schema';

export type Schema = components['schemas'];
export type RigView = Schema['RigView'];
export type SweepView = Schema['SweepView'];
export type TrayView = Schema['TrayView'];
export type KitView = Schema['KitView'];
export type StepRequest = Schema['StepRequest'];
export type TravelView = Schema['TravelView'];

/** Why the server refused, in its own words. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        message: string,
    ) {
        super(message);
    }
}

const client = createClient<paths>({ baseUrl: '/api', headers: { Accept: 'application/json' } });

client.use({
    onRequest({ request }) {
        const token = document.cookie.split('; ').find((item) => item.startsWith('XSRF-TOKEN='));
        if (token) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token.slice('XSRF-TOKEN='.length)));
        return request;
    },
});

interface Result<T> {
    data?: T;
    error?: unknown;
    response: Response;
}

/** The answer, or Refused with the server's reason. */
async function told<T>(asked: Promise<Result<T>>): Promise<T> {
    const { data, error, response } = await asked;
    if (response.ok) return data as T;
    const message = typeof error === 'object' && error !== null && 'message' in error ? String(error.message) : response.statusText;
    throw new Refused(response.status, message);
}

const at = (rig: number) => ({ path: { rig } });

export const api = {
    me: () => told(client.GET('/me')),
    openDemonstration: () => told(client.POST('/guest')),
    signOut: () => told(client.POST('/sign-out')),
    kits: () => told(client.GET('/kits')),
    rigs: () => told(client.GET('/rigs')),
    startRig: () => told(client.POST('/rigs')),
    rig: (rig: number) => told(client.GET('/rigs/{rig}', { params: at(rig) })),
    step: (rig: number, revision: number, step: StepRequest) =>
        told(client.POST('/rigs/{rig}/steps', { params: at(rig), body: { revision, step } })),
    undo: (rig: number, revision: number) => told(client.POST('/rigs/{rig}/undo', { params: at(rig), body: { revision } })),
    redo: (rig: number, revision: number) => told(client.POST('/rigs/{rig}/redo', { params: at(rig), body: { revision } })),
    name: (rig: number, revision: number, name: string | null) =>
        told(client.PUT('/rigs/{rig}/name', { params: at(rig), body: { revision, name } })),
    remove: (rig: number) => told(client.DELETE('/rigs/{rig}', { params: at(rig) })),
    sweep: (rig: number, travel: string) => told(client.GET('/rigs/{rig}/sweep', { params: { ...at(rig), query: { travel } } })),
    mends: (rig: number) => told(client.GET('/rigs/{rig}/mends', { params: at(rig) })),
    tray: (rig: number, place: number) => told(client.GET('/rigs/{rig}/tray', { params: { ...at(rig), query: { place } } })),
    fileAddress: (rig: number) => `/api/rigs/${rig}/file`,
};
