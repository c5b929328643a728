/** Where a form's answers are kept in this browser, until they are handed in. */
export const placeOf = (token: string) => `ask.${token}`;

/** What is kept besides the answers. */
export type KeptHere = { key: string; asker: { name: string; mail: string } };
