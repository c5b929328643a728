import { useMutation } from '@tanstack/react-query';
import { useEffect, useId, useRef, useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { useSay } from '../../messages/useSay';
import { asksByName, PartyAndKind, type NewPlace } from '../../signingFields/PartyAndKind';
import { kinds } from '../../signingFields/kinds';
import { offered, sizeOfKind } from '../../signingFields/onPages';
import { Button, inputLook, Trouble } from '../../ui/parts';
import type { Here } from '../../page/FreePage';
import type { Bench } from '../bench/bench';
import { meant, type Known } from '../bench/meant';
import { withDocument, type TemplateDocument } from './document';
import { printKey, withItems, type Box, type Item } from './items';
import {
  newDataPlace,
  newField,
  newSigningField,
  sizeOfBox,
  withDataPlace,
  withSigningField,
} from './putting';
import { withSize } from './HandPlaces';
import { keyOfSubject } from '../bench/things';

type What = 'open' | 'signing' | 'datum';

/** What is put at a place of a page: a party's signing field, or a datum. */
export function HereBar({
  bench,
  document,
  here,
  open,
  onDone,
  onLeave,
}: {
  bench: Bench;
  document: TemplateDocument;
  here: Here;
  /** What has no place on the document yet. */
  open: Item[];
  /** Told the key of the card of what was put there. */
  onDone: (key: string) => void;
  onLeave: () => void;
}) {
  const words = useSay();
  const { settings, detail, change } = bench;
  const { parties } = settings;
  const [what, setWhat] = useState<What>(
    open.length ? 'open' : parties.length ? 'signing' : 'datum',
  );
  const [place, setPlace] = useState<NewPlace>({
    party: parties[0]?.key ?? '',
    kind: 'signature',
    asks: '',
  });
  const { party, kind } = place;
  const [typed, setTyped] = useState('');
  const [item, setItem] = useState(open[0]?.id);
  const waiting = open.find(({ id }) => id === item);
  const list = useId();
  const first = useRef<HTMLSelectElement>(null);
  useEffect(() => first.current?.focus(), []);
  const known: Known[] = settings.fields
    .filter(({ type }) => type !== 'PICTURE' && type !== 'ITEMS')
    .map(({ name, label }) => ({ name, label }));
  const datum = meant(typed, known);
  const named = asksByName(kind);
  const ready =
    what === 'open'
      ? waiting !== undefined
      : what === 'datum'
        ? datum !== undefined
        : party !== '' && (!named || place.asks.trim() !== '');
  const put = useMutation({
    mutationFn: (box: Box) =>
      answer(
        api.POST('/api/v1/templates/{id}/documents/{document}/tie', {
          params: { path: { id: detail.id, document: document.id } },
          body: box,
        }),
      ),
    onSuccess: ({ spot }, box) => {
      const size = sizeOfBox(box);
      if (what === 'open') {
        if (!waiting) return;
        change(
          withDocument(
            settings,
            document.id,
            withItems(document, [waiting], () => spot),
          ),
        );
        onDone(waiting.key);
      } else if (what === 'datum') {
        if (!datum) return;
        const is = settings.fields.some(({ name }) => name === datum.name);
        change(
          withDataPlace(
            settings,
            document,
            is ? undefined : newField(datum.name, datum.label || datum.name),
            newDataPlace(datum.name, spot, size),
          ),
        );
        onDone(printKey(document.data.length));
      } else {
        const label = named
          ? place.asks.trim()
          : kinds[kind].name
            ? words.say(kinds[kind].name)
            : '';
        const field = newSigningField(settings, party, kind, label, size);
        change(withSigningField(settings, document, field, spot));
        onDone(keyOfSubject({ kind: 'signing', name: field.name }));
      }
    },
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
        if (!ready) return;
        if (what === 'open' && waiting) put.mutate(withSize(here.box, waiting.size));
        else
          put.mutate(
            here.drawn || what === 'datum' ? here.box : withSize(here.box, sizeOfKind(kind)),
          );
      }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <select
          ref={first}
          aria-label={say('documents.what-to-put')}
          className={`${inputLook} w-auto`}
          value={what}
          onChange={(event) => setWhat(event.target.value as What)}
        >
          {open.length > 0 && <option value="open">{say('documents.what-has-no-place')}</option>}
          {parties.length > 0 && (
            <option value="signing">{say('documents.a-signing-field-of')}</option>
          )}
          <option value="datum">{say('documents.the-datum')}</option>
        </select>
        {what === 'open' && (
          <select
            aria-label={say('documents.what-has-no-place')}
            className={`${inputLook} w-auto max-w-64`}
            value={item}
            onChange={(event) => setItem(event.target.value)}
          >
            {open.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </select>
        )}
        {what === 'signing' && (
          <PartyAndKind place={place} parties={parties} offered={offered} onChange={setPlace} />
        )}
        {what === 'datum' && (
          <input
            aria-label={say('documents.name-of-datum')}
            placeholder={say('documents.name-of-datum')}
            className={`${inputLook} w-44`}
            list={list}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
        <datalist id={list}>
          {known.map(({ name, label }) => (
            <option key={name} value={label} />
          ))}
        </datalist>
      </div>
      <div className="flex items-center gap-2">
        <button
          type="submit"
          className="min-h-8 rounded-sm bg-ink px-3 text-sheet disabled:opacity-50"
          disabled={!ready || put.isPending}
        >
          {say('documents.put-it-here')}
        </button>
        <Button onClick={onLeave}>{say('templates.leave-it')}</Button>
      </div>
      <Trouble error={put.error} />
    </form>
  );
}
