import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { listed } from '../../ui/words';

type Row = Schemas['ArchiveStampRow'];

/** The algorithms that stamps hash with, the weakest first, with their names in the standards. */
export const algorithms = [
  { value: 'SHA_256', words: 'SHA-256' },
  { value: 'SHA_384', words: 'SHA-384' },
  { value: 'SHA_512', words: 'SHA-512' },
] as const;

/** What a stamp is over. */
export function coverWords({ files, roots, stamps }: Pick<Row, 'files' | 'roots' | 'stamps'>) {
  const all = [
    files > 0 && say('stamps.files', { files }),
    roots > 0 && say('stamps.roots', { roots }),
    stamps > 0 && say('stamps.stamps', { stamps }),
  ];
  return listed(all.filter((one) => one !== false));
}

/** How a stamp stands. */
export function standingWords({ standing, renewedBy }: Pick<Row, 'standing' | 'renewedBy'>) {
  switch (standing) {
    case 'HOLDS':
      return say('stamps.holds');
    case 'DUE':
      return say('stamps.to-renew');
    case 'TO_HASH_ANEW':
      return say('stamps.to-hash-anew');
    case 'ENDED':
      return say('stamps.ended');
    case 'RENEWED':
      return say('stamps.renewed-by', { stamp: renewedBy ?? 0 });
    case 'LET_GO':
      return say('stamps.let-go');
  }
}
