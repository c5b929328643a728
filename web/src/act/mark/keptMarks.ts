import type { Mark } from '../useAct';

/** Where marks are kept: in this browser only, since whose they are is nobody else's business. */
const PLACE = 'jalousie.marks';

export type KeptMarks = { name: string; mark: Mark; initials?: Mark };

/** What a person of this name kept here the last time; undefined when they kept nothing. */
export function keptMarks(name: string): KeptMarks | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(PLACE) ?? 'null') as unknown;
    return isKept(kept) && kept.name === name ? kept : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps them for the next time; where a browser keeps nothing, nothing is kept. */
export function keepMarks(kept: KeptMarks): void {
  try {
    localStorage.setItem(PLACE, JSON.stringify(kept));
  } catch {
    forgetMarks();
  }
}

export function forgetMarks(): void {
  try {
    localStorage.removeItem(PLACE);
  } catch {
    // a browser that keeps nothing has nothing to forget
  }
}

function isKept(kept: unknown): kept is KeptMarks {
  if (typeof kept !== 'object' || kept === null) return false;
  const { name, mark, initials } = kept as Record<string, unknown>;
  return typeof name === 'string' && isMark(mark) && (initials === undefined || isMark(initials));
}

function isMark(mark: unknown): mark is Mark {
  if (typeof mark !== 'object' || mark === null) return false;
  const { how, picture } = mark as Record<string, unknown>;
  return typeof how === 'string' && typeof picture === 'string' && /^[\w+/=]+$/.test(picture);
}
