import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import { mmOf, pointsOf } from '../page/boxSize';
import type { Here } from '../page/FreePage';
import { asksByName, PartyAndKind, type NewPlace } from '../signingFields/PartyAndKind';
import { kinds } from '../signingFields/kinds';
import { offered, sizeOfKind, typeOf } from '../signingFields/onPages';
import { Button, inputLook, Trouble } from '../ui/parts';

type Detail = Schemas['AgreementDetail'];

/** Puts a party's signing field on a page of one agreement: a new one, or one that the template has left without a place. */
export function PutField({
  detail,
  document,
  here,
  onDone,
  onLeave,
}: {
  detail: Detail;
  document: Schemas['DocumentView'];
  here: Here;
  onDone: (detail: Detail) => void;
  onLeave: () => void;
}) {
  const words = useSay();
  const { people } = detail;
  const open = document.open;
  const [field, setField] = useState(open[0]?.field.name ?? '');
  const [place, setPlace] = useState<NewPlace>({
    party: people[0]?.party ?? '',
    kind: 'signature',
    asks: '',
  });
  const first = useRef<HTMLSelectElement>(null);
  useEffect(() => first.current?.focus(), []);
  const waiting = open.find((one) => one.field.name === field);
  const put = useMutation({
    mutationFn: () => {
      const { box, drawn } = here;
      const usual = waiting ? waiting.field.type.size : sizeOfKind(place.kind);
      const size =
        drawn && !waiting
          ? { widthMm: tenth(mmOf(box.width)), heightMm: tenth(mmOf(box.height)) }
          : usual;
      const height = pointsOf(size.heightMm);
      const called = kinds[place.kind].name;
      return answer(
        api.POST('/api/v1/agreements/{number}/documents/{document}/places', {
          params: { path: { number: detail.row.number, document: document.id } },
          body: {
            field,
            party: waiting ? '' : place.party,
            label: waiting ? '' : called ? words.say(called) : place.asks.trim(),
            type: typeOf(place.kind, size),
            page: box.page,
            x: box.x,
            y: box.y + box.height - height,
            width: pointsOf(size.widthMm),
            height,
          },
        }),
      );
    },
    onSuccess: onDone,
  });
  return (
    <form
      aria-label={say('documents.put-here')}
      className="flex flex-col gap-1 border border-edge bg-sheet p-2 text-ink shadow-page"
      onPointerDown={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onLeave();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        put.mutate();
      }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <select
          ref={first}
          aria-label={say('documents.what-to-put')}
          className={`${inputLook} w-auto max-w-64`}
          value={field}
          onChange={(event) => setField(event.target.value)}
        >
          {open.map((one) => (
            <option key={one.field.name} value={one.field.name}>
              {one.title}
            </option>
          ))}
          <option value="">{say('documents.a-signing-field-of')}</option>
        </select>
        {!waiting && (
          <PartyAndKind
            place={place}
            parties={people.map(({ party, label }) => ({ key: party, label }))}
            offered={alone}
            onChange={setPlace}
          />
        )}
      </div>
      <div className="flex items-center gap-2">
        <button
          type="submit"
          className="min-h-8 rounded-sm bg-ink px-3 text-sheet disabled:opacity-50"
          disabled={put.isPending || (!waiting && asksByName(place.kind) && !place.asks.trim())}
        >
          {say('documents.put-it-here')}
        </button>
        <Button onClick={onLeave}>{say('templates.leave-it')}</Button>
      </div>
      <Trouble error={put.error} />
    </form>
  );
}

/** What needs no settings of its own. */
const alone = offered.filter(
  (kind) => kind !== 'copy' && kind !== 'worked_out' && kind !== 'choice',
);

const tenth = (mm: number) => Math.round(mm * 10) / 10;
