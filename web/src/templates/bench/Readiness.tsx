import { useState, type ReactNode } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import { useDraftAct } from '../useDraftAct';
import { useKeeping } from '../useKeeping';
import { allFields, type Bench } from './bench';
import { keyOfSubject } from './things';

type Diagnostic = Schemas['Diagnostic'];
type Obstacle = Schemas['Obstacle'];

/** Where an entry leads: to a card, or to the terms of sending. */
export type Spot =
  | { open: string }
  | { party: string }
  | { document: string }
  | { ask: string }
  | { face: 'sending' };

const tidied = ['tracked-changes', 'comments'];
const grown = ['row-exact-height', 'line-exact-height'];

/** What still stands in the way of publishing: one line that opens in place, each entry with the way to its spot. */
export function Readiness({ bench, onGo }: { bench: Bench; onGo: (spot: Spot) => void }) {
  const { detail } = bench;
  const blocking = detail.diagnostics.filter((one) => one.blocks);
  const advice = [...detail.diagnostics.filter((one) => !one.blocks), ...detail.advice];
  const count = blocking.length + detail.obstacles.length;
  const [open, setOpen] = useState(false);
  const shown = open || blocking.length > 0;
  const path = { params: { path: { id: detail.id } } };
  const tidy = useDraftAct(
    detail.id,
    (revision) =>
      answer(api.POST('/api/v1/templates/{id}/wording/tidying', { ...path, body: { revision } })),
    bench.took,
  );
  const rename = useDraftAct(
    detail.id,
    (revision, names: { from: string; to: string }) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/renaming', {
          ...path,
          body: { revision, ...names },
        }),
      ),
    bench.took,
  );
  const grow = useKeeping(bench);
  if (!count && !advice.length) {
    return (
      <p className="flex min-h-8 items-center text-moss">
        {say('templates.nothing-stands-in-the-way')}
      </p>
    );
  }
  return (
    <section aria-label={say('templates.readiness')}>
      <button
        type="button"
        aria-expanded={shown}
        className={`min-h-8 text-left underline decoration-dotted underline-offset-4 ${count ? 'text-clay' : 'text-slate'}`}
        onClick={() => setOpen(!shown)}
      >
        {count
          ? say('templates.things-stand-in-the-way', { count })
          : say('templates.nothing-in-the-way-but', { count: advice.length })}
        <span aria-hidden="true"> {shown ? '▴' : '▾'}</span>
      </button>
      {shown && (
        <div
          className={`mt-1 border-l-4 bg-sheet px-4 py-2 ${count ? 'border-clay' : 'border-slate'}`}
          onKeyDown={(event) => {
            if (event.key === 'Escape') setOpen(false);
          }}
        >
          {count > 0 && (
            <>
              <h2 className="text-lg">{say('templates.before-this-can-be-published')}</h2>
              <ul className="flex flex-col gap-1 py-1">
                {blocking.map((one, i) => (
                  <Line key={i} diagnostic={one} />
                ))}
                {detail.obstacles.map((one, i) => (
                  <ObstacleLine key={i} obstacle={one} bench={bench} onGo={onGo} />
                ))}
              </ul>
            </>
          )}
          {blocking.some((one) => tidied.includes(one.code)) && (
            <Button disabled={tidy.isPending} onClick={() => tidy.mutate(undefined)}>
              {say('templates.accept-all-changes-and-delete')}
            </Button>
          )}
          <Trouble error={tidy.error ?? rename.error ?? grow.error} />
          {advice.length > 0 && (
            <>
              <h2 className="pt-1 text-lg">
                {say('templates.to-look-at-publishing-does', { count: advice.length })}
              </h2>
              <ul className="flex flex-col gap-1 py-1">
                {advice.map((one, i) => (
                  <Line key={i} diagnostic={one}>
                    <ToSpot spot={spotOfAdvice(one, bench)} onGo={onGo} />
                    {grown.includes(one.code) &&
                      one.names.map((name) => (
                        <Button
                          key={name}
                          className="mt-1 mr-2"
                          disabled={bench.fixed || grow.isPending}
                          onClick={() => grow.mutate(name)}
                        >
                          {say('templates.let-it-grow')}
                        </Button>
                      ))}
                    {one.code === 'names-alike' &&
                      alike(one.names).map(([from, to]) => (
                        <Button
                          key={from}
                          className="mt-1 mr-2"
                          disabled={rename.isPending}
                          onClick={() => rename.mutate({ from, to })}
                        >
                          {say('templates.use-everywhere', { to })}
                        </Button>
                      ))}
                  </Line>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
    </section>
  );
}

function ObstacleLine({
  obstacle,
  bench,
  onGo,
}: {
  obstacle: Obstacle;
  bench: Bench;
  onGo: (spot: Spot) => void;
}) {
  return (
    <li>
      {obstacle.message} <ToSpot spot={spotOf(obstacle, bench)} onGo={onGo} />
    </li>
  );
}

function ToSpot({ spot, onGo }: { spot: Spot | undefined; onGo: (spot: Spot) => void }) {
  if (!spot) return null;
  return (
    <button
      type="button"
      className="min-h-6 text-slate underline underline-offset-3"
      onClick={() => onGo(spot)}
    >
      {say('templates.go-there')}
    </button>
  );
}

/** Where what stands in the way is settled. */
export function spotOf(
  { about, name }: Obstacle,
  bench: Pick<Bench, 'settings'>,
): Spot | undefined {
  const { fields, rules, choices, parties } = bench.settings;
  switch (about) {
    case 'FIELD': {
      const found = allFields(fields).find((one) => one.field.name === name);
      return (
        found && {
          open: keyOfSubject({ kind: 'field', name, list: found.lists.at(-1)?.name ?? '' }),
        }
      );
    }
    case 'RULE': {
      const index = rules.findIndex((one) => one.name === name);
      return index < 0 ? undefined : { open: keyOfSubject({ kind: 'rule', index }) };
    }
    case 'CHOICE': {
      const index = choices.findIndex((one) => one.name === name);
      return index < 0 ? undefined : { open: keyOfSubject({ kind: 'choice', index }) };
    }
    case 'PARTY':
      return { party: name || (parties[0]?.key ?? '') };
    case 'SIGNING_FIELD':
      return { open: keyOfSubject({ kind: 'signing', name }) };
    case 'DOCUMENT':
      return { document: name };
    case 'SENDING':
      return { face: 'sending' };
    case 'FORM':
      return { ask: name };
    default:
      return undefined;
  }
}

function spotOfAdvice({ code, place }: Diagnostic, bench: Bench): Spot | undefined {
  if (code === 'party-idle') return spotOf({ about: 'PARTY', name: place, message: '' }, bench);
  if (code === 'place-open')
    return spotOf({ about: 'SIGNING_FIELD', name: place, message: '' }, bench);
  if (code === 'field-unused') return spotOf({ about: 'FIELD', name: place, message: '' }, bench);
  return code === 'rule-unused'
    ? spotOf({ about: 'RULE', name: place, message: '' }, bench)
    : undefined;
}

/** Both ways in which one of two names can stand for the other. */
function alike(names: string[]): [string, string][] {
  const [a, b] = names;
  return a && b
    ? [
        [b, a],
        [a, b],
      ]
    : [];
}

function Line({ diagnostic: one, children }: { diagnostic: Diagnostic; children?: ReactNode }) {
  return (
    <li>
      <strong className="font-medium">{one.message}</strong> {one.cure}
      {one.part !== 'settings' && (
        <span className="block text-soft">
          {say('templates.in-part', { part: one.part })}
          <q className="font-mono">{one.place}</q>
        </span>
      )}{' '}
      {children}
    </li>
  );
}
