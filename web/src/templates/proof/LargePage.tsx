import { useState, type ReactNode } from 'react';
import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import { stacked } from '../../page/stack';
import { pictureOf, type PageAt } from './Sheet';

type ProofSpecimen = Schemas['ProofSpecimen'];
type Risk = Schemas['LayoutRisk'];

const NOTE = 58;

/** One page of a specimen, large, with what stands badly on it pinned to its spot. */
export function LargePage({
  id,
  file,
  of,
  at,
  mend,
}: {
  id: string;
  file: string;
  of: ProofSpecimen;
  at: PageAt;
  /** Keeps signatures with the words before them; without it the wording can't be changed. */
  mend?: ((risk: Risk) => ReactNode) | undefined;
}) {
  const [height, setHeight] = useState(0);
  const [points, setPoints] = useState(842);
  const risks = of.risks.filter((risk) => risk.page === at.page);
  const down = (y: number) => (1 - y / points) * height;
  const tops = stacked(
    risks.map(({ y }) => ({ wish: down(y) - 12, height: NOTE })),
    6,
  );
  return (
    <section
      aria-label={say('templates.page-of-specimen', { name: of.name, page: at.page })}
      className="sticky top-2 grid grid-cols-[minmax(0,1fr)_15rem] items-start"
    >
      <div className="relative">
        <img
          src={pictureOf(id, file, at)}
          alt={say('templates.page-of-specimen', { name: of.name, page: at.page })}
          className="w-full bg-[#fff] shadow-page"
          onLoad={({ currentTarget: image }) => {
            setHeight(image.clientHeight);
            // pictures are drawn at 150 dots per inch, of 72 points each
            setPoints((image.naturalHeight / 150) * 72);
          }}
        />
        {risks.map(({ y }, i) => (
          <span
            key={i}
            aria-hidden="true"
            className="absolute -right-1 size-2.5 rotate-45 bg-[#9a4f22]"
            style={{ top: down(y) - 5 }}
          />
        ))}
      </div>
      <ul aria-label={say('templates.risks-on-page')} className="relative ml-4" style={{ height }}>
        {risks.map((risk, i) => (
          <li
            key={i}
            className="absolute w-full border-l-2 border-clay pl-2 leading-tight"
            style={{ top: tops[i] }}
          >
            <strong className="font-medium">{risk.message}</strong>{' '}
            <span className="text-soft">{risk.cure}</span> {mend?.(risk)}
          </li>
        ))}
        {!risks.length && <li className="text-soft">{say('templates.no-risk-on-this-page')}</li>}
      </ul>
    </section>
  );
}
