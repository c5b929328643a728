import { useSay } from '../../messages/useSay';
import { kinds } from '../../signingFields/kinds';
import { AskedField } from '../AskedField';
import { useFillingHere } from '../filling';
import { IN_TEXT } from '../open';
import type { SigningPage } from '../useAct';

/** A signing field where it stands in the text: to be filled in when it is one's own, else with what stands there. */
export function Place({
  page,
  name,
  filled,
  document,
}: {
  page: SigningPage;
  name: string;
  /** What the file has there already. */
  filled: string;
  document: string;
}) {
  const words = useSay();
  const filling = useFillingHere();
  const field = page.documents
    .find(({ id }) => id === document)
    ?.pages.fields.find((placed) => placed.field.name === name)?.field;
  if (!field) return filled ? <span>{filled}</span> : null;
  const own = page.parts.includes(field.party);
  const key = field.sameAs || name;
  const asked = filling?.asked.find((one) => one.name === key);
  if (own && filling && asked) {
    // a field that stands in several places is asked for in the first
    if (key === name) {
      return (
        <div className="my-2 border-l-4 border-clay bg-paper py-2 pr-2 pl-3" lang={words.language}>
          <AskedField one={asked} at={IN_TEXT} filling={filling} />
        </div>
      );
    }
    return <Filled>{filling.printed[key] || words.say('yours.not-yet')}</Filled>;
  }
  if (own && filling && kinds[field.type.kind].asked)
    return <Filled>{words.say('read.not-asked')}</Filled>;
  if (own && filling) {
    const marks = { signature: 'read.mark-here', initials: 'read.initials-here' } as const;
    const kind = field.type.kind;
    const mark = kind === 'signature' || kind === 'initials' ? words.say(marks[kind]) : '';
    const shown = kinds[field.type.kind].shown({
      answer: filling.printed[key] ?? '',
      name: page.name,
      date: page.date,
      mark: (kind === 'initials' ? filling.initials : filling.mark)?.picture,
      language: page.documentLanguage,
    });
    if ('picture' in shown)
      return (
        <img
          className="my-2 max-h-16 max-w-full bg-[#fffefa]"
          src={`data:image/png;base64,${shown.picture}`}
          alt={mark}
        />
      );
    return <Filled>{mark || shown.text || words.say('read.filled-at-act')}</Filled>;
  }
  const step = page.route.find(({ party }) => party === field.party);
  const party = step?.label ?? '';
  // what was handed in may still be on its way into the file
  const acted = step?.standing === 'DONE' || step?.standing === 'SEALING';
  if (acted && field.type.kind === 'signature')
    return <Filled>{words.say('read.signed-by', { party })}</Filled>;
  return <Filled>{filled || (acted ? '–' : words.say('read.still-open', { party }))}</Filled>;
}

function Filled({ children }: { children: string }) {
  return <span className="border-b border-edge px-1 text-soft">{children}</span>;
}
