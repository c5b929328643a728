/** The data as they are written. */
export function written(): string;
