/** Settings of a zoom as they are typed, mm: the numbers in it, at most eight, commas between. */
export const zoomsIn = (text: string) => (text.match(/\d+(\.\d+)?/g) ?? []).slice(0, 8).join(',');
