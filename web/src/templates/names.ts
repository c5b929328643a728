/** Words as they can stand in a tag; the server makes a case's key in the same way. */
export function caseKey(words: string): string {
  const key = words
    .normalize('NFD')
    .replace(/[\p{M}'’]/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '');
  return /^[a-z]/.test(key) ? key : `case_${key}`;
}

/** A name that a person would give to these words: the first three of them. */
export function nameFor(words: string): string {
  const key = caseKey(words)
    .replace(/^case_/, '')
    .replace(/^[0-9_]+/, '');
  return key.split('_').slice(0, 3).join('_');
}
