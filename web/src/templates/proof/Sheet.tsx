import type { KeyboardEvent } from 'react';
import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';

type ProofSpecimen = Schemas['ProofSpecimen'];

export type PageAt = { specimen: number; page: number };

export const pictureOf = (id: string, file: string, { specimen, page }: PageAt) =>
  `/api/v1/templates/${id}/specimens/${specimen}/pages/${page}.png?proof=${file}`;

/** The pages of one specimen, small, side by side; those with a risk are marked. */
export function Sheet({
  id,
  file,
  specimen,
  of,
  at,
  onShow,
}: {
  id: string;
  /** Names the proof, so that pictures of another one are not taken for its. */
  file: string;
  specimen: number;
  of: ProofSpecimen;
  at: PageAt;
  onShow: (at: PageAt) => void;
}) {
  return (
    <ul
      aria-label={say('templates.pages-of-specimen', { name: of.name })}
      className="flex flex-wrap gap-2 py-1"
      onKeyDown={walk}
    >
      {of.pictures.map((_, i) => {
        const page = i + 1;
        const risks = of.risks.filter((risk) => risk.page === page).length;
        const chosen = at.specimen === specimen && at.page === page;
        return (
          <li key={page}>
            <button
              type="button"
              aria-pressed={chosen}
              aria-label={
                risks
                  ? say('templates.page-with-risks', { page, count: risks })
                  : say('templates.picture-of-page', { page })
              }
              className={`relative block border bg-[#fff] ${chosen ? 'border-slate outline outline-2 outline-slate' : 'border-rule hover:border-ink'}`}
              onClick={() => onShow({ specimen, page })}
            >
              <img
                src={pictureOf(id, file, { specimen, page })}
                alt=""
                width={74}
                height={104}
                loading="lazy"
                className="block h-[104px] w-[74px] object-contain"
              />
              {risks > 0 && (
                <span
                  aria-hidden="true"
                  className="absolute right-0 bottom-0 bg-clay px-1 text-xs font-semibold text-onbottle"
                >
                  {risks}
                </span>
              )}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** Left and right walk the pages of all specimens. */
function walk(event: KeyboardEvent<HTMLElement>) {
  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
  if (!step || !(event.target instanceof HTMLElement)) return;
  const all = [
    ...(event.currentTarget
      .closest('[data-sheets]')
      ?.querySelectorAll<HTMLElement>('li > button[aria-pressed]') ?? []),
  ];
  event.preventDefault();
  const next = all[all.indexOf(event.target) + step];
  next?.focus();
  next?.click();
}
