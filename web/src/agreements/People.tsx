import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { Ordinal } from '../page/weave';
import { dutyWords } from '../ui/words';
import { PersonInputs } from './PersonInputs';

type Person = Schemas['Part'];

/** Who takes part, in order; before sending, each can be corrected. */
export function People({
  number,
  people,
  fixed,
  open,
  onOpen,
  onTaken,
}: {
  number: string;
  people: Person[];
  fixed: boolean;
  /** The party whose person is being corrected. */
  open: string | undefined;
  onOpen: (party: string | undefined) => void;
  onTaken: (detail: Schemas['AgreementDetail']) => void;
}) {
  return (
    <section aria-label={say('agreements.parties')}>
      <h2 className="pb-1 text-lg">{say('agreements.parties')}</h2>
      <ol className="flex flex-col gap-2">
        {people.map((person, i) => (
          <li key={person.party} className="flex gap-2">
            <Ordinal ordinal={i + 1} />
            {!fixed && open === person.party ? (
              <PersonInputs
                number={number}
                person={person}
                onLeave={() => onOpen(undefined)}
                onTaken={(detail) => {
                  onOpen(undefined);
                  onTaken(detail);
                }}
              />
            ) : (
              <span className="min-w-0 grow">
                <strong className="font-medium">
                  {person.name || say('agreements.nobody-yet')}
                </strong>{' '}
                <span className="text-soft">
                  {person.label}, {dutyWords[person.duty]}
                  {person.duty !== 'RECEIVES_COPY' &&
                    say('agreements.stage', { stage: person.stage })}
                </span>
                {person.absence ? (
                  <span className="block text-clay">{person.absence}</span>
                ) : (
                  <span className="block truncate text-soft">
                    {person.mail || say('agreements.no-mail-address')}
                  </span>
                )}
                {!fixed && (
                  <button
                    type="button"
                    className="min-h-6 text-slate underline underline-offset-3"
                    onClick={() => onOpen(person.party)}
                  >
                    {say('agreements.correct', { label: person.label })}
                  </button>
                )}
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
