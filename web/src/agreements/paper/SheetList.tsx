import { say } from '../../messages/rooms';
import { inDoubt, type Sheet } from './usePaper';

/** The printed pages, each with what came back of it. */
export function SheetList({
  sheets,
  at,
  onChoose,
}: {
  sheets: Sheet[];
  at: number;
  onChoose: (at: number) => void;
}) {
  return (
    <section aria-label={say('paper.pages')}>
      <h2 className="pb-1 text-lg">{say('paper.pages')}</h2>
      <ul className="border-t border-rule">
        {sheets.map((sheet, i) => (
          <li key={`${sheet.document}-${sheet.page}`} className="border-b border-rule">
            <button
              type="button"
              aria-current={i === at ? 'true' : undefined}
              className={`w-full px-2 py-1.5 text-left hover:bg-slatted ${i === at ? 'bg-slatted' : ''}`}
              onClick={() => onChoose(i)}
            >
              <span className="block break-words">
                {say('paper.page-of', { title: sheet.title, page: sheet.page })}
              </span>
              <span className={lookOf(sheet)}>{wordsOf(sheet)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function lookOf(sheet: Sheet): string {
  if (!sheet.came) return 'text-soft';
  return inDoubt(sheet).length ? 'text-clay' : 'text-moss';
}

function wordsOf(sheet: Sheet): string {
  if (!sheet.came) return say('paper.not-back');
  const count = inDoubt(sheet).length;
  return count ? say('paper.places-to-look-at', { count }) : say('paper.as-printed');
}
