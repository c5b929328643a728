/** The last moment at which something can be done that ends then: what ends with a day is told by that day. */
export const lastMoment = (end: string) => new Date(new Date(end).getTime() - 1).toISOString();
