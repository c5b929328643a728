import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import type { Detail } from '../bench/bench';
import { passageLabel } from '../bench/things';

type Proof = Schemas['Proof'];

/** Passages and specimens: what each specimen has printed. A passage that nobody has seen stands out. */
export function Matrix({
  proof,
  detail,
  onShow,
}: {
  proof: Proof;
  detail: Pick<Detail, 'content'>;
  /** Shows a specimen's first page. */
  onShow: (specimen: number) => void;
}) {
  if (!proof.passages.length) return <p>{say('templates.no-passage-depends-on-anything')}</p>;
  return (
    <div
      className="max-w-full overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label={say('templates.passages-by-specimens')}
    >
      <table className="border-collapse text-left">
        <thead>
          <tr className="border-b border-edge align-bottom text-soft">
            <th scope="col" className="sticky left-0 bg-paper px-2 pb-1 font-medium">
              {say('templates.passage')}
            </th>
            {proof.specimens.map(({ name }, i) => (
              <th key={i} scope="col" className="h-28 w-8 px-1 font-medium">
                <button
                  type="button"
                  title={name}
                  className="max-h-28 truncate [writing-mode:vertical-rl] hover:text-ink"
                  onClick={() => onShow(i)}
                >
                  {name}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {proof.passages.map(({ document, passage, reachedBy }) => (
            <tr
              key={`${document} ${passage.number}`}
              className={`h-8 border-b border-rule ${reachedBy.length ? '' : 'text-clay'}`}
            >
              <th scope="row" className="sticky left-0 max-w-96 bg-paper px-2 font-normal">
                <span className="block truncate" title={passage.begins || passage.place}>
                  {document && <span className="text-soft">{document}: </span>}
                  {passageLabel(detail, passage)}
                  {!reachedBy.length && <strong> {say('templates.seen-by-nobody')}</strong>}
                </span>
              </th>
              {proof.specimens.map(({ name }, i) => (
                <td key={i} className="text-center">
                  {reachedBy.includes(name) ? (
                    <>
                      <span aria-hidden="true" className="inline-block h-3 w-5 bg-moss" />
                      <span className="sr-only">{say('templates.printed')}</span>
                    </>
                  ) : (
                    <>
                      <span
                        aria-hidden="true"
                        className="inline-block h-3 w-5 border border-rule"
                      />
                      <span className="sr-only">{say('templates.not-printed')}</span>
                    </>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
