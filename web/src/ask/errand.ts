import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import { useEffect, useState } from 'react';

/** How many tries are made before the page is let do something else. */
const AT_ONCE = 400;

/** Whether a number fits an errand: so many leading zero bits has the hash over both. */
export function isDone(errand: string, found: string, bits: number): boolean {
  const hash = sha256(utf8ToBytes(`${errand}:${found}`));
  for (let bit = 0; bit < bits; bit++) {
    if (((hash[bit >> 3] ?? 0) >> (7 - (bit & 7))) & 1) return false;
  }
  return true;
}

/** Looks for the number that fits an errand, a few tries at a time, so that nobody notices. */
export function look(errand: string, bits: number, stopped: () => boolean): Promise<string> {
  return new Promise((resolve) => {
    let number = 0;
    const some = () => {
      if (stopped()) return;
      for (let i = 0; i < AT_ONCE; i++, number++) {
        if (isDone(errand, String(number), bits)) {
          resolve(String(number));
          return;
        }
      }
      setTimeout(some);
    };
    some();
  });
}

/** The number that fits an errand; nothing while it is being looked for. */
export function useErrand(errand: string, bits: number): string | undefined {
  const [done, setDone] = useState<{ errand: string; found: string }>();
  useEffect(() => {
    let over = false;
    void look(errand, bits, () => over).then((found) => setDone({ errand, found }));
    return () => {
      over = true;
    };
  }, [errand, bits]);
  return done?.errand === errand ? done.found : undefined;
}
