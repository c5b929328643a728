import { say } from '../../messages/rooms';
import { partsOf, type Bench } from './bench';
import { ChoiceCard } from './cards/ChoiceCard';
import { ClauseCard } from './cards/ClauseCard';
import { FieldCard } from './cards/FieldCard';
import { PassageCard } from './cards/PassageCard';
import { Places, type Walk } from './cards/parts';
import { RuleCard } from './cards/RuleCard';
import { SigningCard } from './cards/SigningCard';
import { subjectOfKey } from './things';
import type { Carried } from './usePlacing';

/** The card of a thing, by its key: everything that there is to settle about it. */
export function ThingCard({
  bench,
  thing,
  walk,
  byHand = false,
  onOpen,
  onCarry,
}: {
  bench: Bench;
  thing: string;
  walk: Walk;
  /** Whether a signing field was put on a page by hand. */
  byHand?: boolean;
  onOpen: (key: string | undefined) => void;
  /** Begins to move a signing field; without it none can be moved. */
  onCarry?: ((carried: Carried) => void) | undefined;
}) {
  const subject = subjectOfKey(thing);
  const { passages } = partsOf(bench.detail, bench.document);
  switch (subject?.kind) {
    case 'field':
      return (
        <FieldCard
          bench={bench}
          name={subject.name}
          list={subject.list}
          walk={walk}
          onOpen={onOpen}
        />
      );
    case 'rule':
      return <RuleCard bench={bench} index={subject.index} walk={walk} onOpen={onOpen} />;
    case 'choice':
      return <ChoiceCard bench={bench} index={subject.index} onOpen={onOpen} />;
    case 'passage':
    case 'cases': {
      const numbers = subject.kind === 'cases' ? subject.numbers : [subject.number];
      return (
        <PassageCard
          bench={bench}
          passages={passages.filter(({ number }) => numbers.includes(number))}
          walk={walk}
          onOpen={onOpen}
        />
      );
    }
    case 'clause':
      return <ClauseCard bench={bench} number={subject.number} walk={walk} />;
    case 'signing':
      return (
        <SigningCard
          bench={bench}
          name={subject.name}
          walk={walk}
          byHand={byHand}
          onCarry={onCarry}
        />
      );
    case 'own':
      return (
        <div className="flex flex-col gap-2">
          <p>{say('templates.given-by-the-program')}</p>
          <Places walk={walk} />
        </div>
      );
    case undefined:
      return null;
  }
}
