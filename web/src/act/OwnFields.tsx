import type { Schemas } from '../api/client';
import { placeOf } from '../page/PagesView';
import type { Placed } from '../signingFields/kind';
import { kinds } from '../signingFields/kinds';
import type { Mark, SigningPage } from './useAct';

/** The participant's own fields on the page, with what they have filled in so far. */
export function OwnFields({
  page,
  pages,
  number,
  values,
  mark,
}: {
  page: SigningPage;
  pages: Schemas['Pages'];
  number: number;
  values: Record<string, string>;
  mark: Mark | undefined;
}) {
  const size = pages.sizes[number - 1];
  if (!size) return null;
  return pages.fields
    .filter((placed) => placed.page === number && page.parts.includes(placed.field.party))
    .map((placed) => {
      const { type, name, sameAs } = placed.field;
      const shown = kinds[type.kind].shown({
        answer: values[sameAs || name] ?? '',
        name: page.name,
        date: page.date,
        mark: mark?.picture,
        language: page.documentLanguage,
      });
      return (
        <span
          key={name}
          aria-hidden="true"
          className="pointer-events-none absolute overflow-hidden border border-[#a85a2a] bg-[#a85a2a]/8 whitespace-nowrap text-[#1d2726]"
          style={{ ...placeOf(placed, size), containerType: 'size' }}
        >
          {'picture' in shown ? (
            <img
              src={`data:image/png;base64,${shown.picture}`}
              alt=""
              className="h-full w-full object-contain object-left"
            />
          ) : (
            <span
              style={shown.lines ? fittingLines(shown.text, placed) : fitting(shown.text, placed)}
            >
              {shown.text}
            </span>
          )}
        </span>
      );
    });
}

/** Text as large as it will be printed, 10 or 12 points in a box of so many, at whatever size the page is shown. */
function fitting(text: string, placed: Placed) {
  const points = placed.height < 23 ? 10 : 12;
  const widest = (placed.width * 1.9) / Math.max(1, text.length);
  const share = (Math.min(points, widest, placed.height) / placed.height) * 100;
  return { display: 'block', fontSize: `${share}cqh`, lineHeight: '100cqh' };
}

/** Many lines, as large as they fit: about as the printed page has them. */
function fittingLines(text: string, { width, height }: Placed) {
  let points = 12;
  const taken = () =>
    text
      .split('\n')
      .reduce((sum, line) => sum + Math.max(1, Math.ceil((line.length * points * 0.5) / width)), 0);
  while (points > 4 && taken() * points * 1.2 > height) points -= 1;
  return {
    display: 'block',
    whiteSpace: 'pre-wrap' as const,
    fontSize: `${(points / height) * 100}cqh`,
    lineHeight: 1.2,
  };
}
