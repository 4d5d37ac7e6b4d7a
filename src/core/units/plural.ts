/** A count with its noun: "1 line", "3 lines", "2 switches". */
export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

/** How often: "once", "3 times". */
export const times = (count: number): string => (count === 1 ? 'once' : plural(count, 'time'));
