import { useState } from 'react';
import { say } from '../../messages/rooms';
import { ListRoom } from '../../ui/list/ListRoom';
import type { ListPlace } from '../../ui/list/useListPlace';
import { Button } from '../../ui/parts';
import { ConfirmDestruction, type Meant } from './ConfirmDestruction';
import { HoldDialog } from './HoldDialog';
import { useDue } from './queries';
import { dueColumns, placeOf } from './retentionColumns';

/** The list to confirm: what has been kept long enough, ticked one by one, page by page or all together. */
export function DueAgreements({
  template,
  place,
  fixed,
}: {
  template: string;
  place: ListPlace;
  fixed: boolean;
}) {
  const { params, go } = place;
  const by = params.get('by') ?? '';
  const list = useDue({ ...(template && { template }), ...(by && { by }) }, place);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [meant, setMeant] = useState<Meant>();
  const [holding, setHolding] = useState(false);
  const choose = (number: string) =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(number)) next.add(number);
      return next;
    });
  const shown = list.data?.items.map(({ number }) => number) ?? [];
  const allShown = shown.length > 0 && shown.every((number) => chosen.has(number));
  // what is due only later can be looked at, and isn't to be confirmed yet
  const acts = !fixed && !by && list.data && list.data.total > 0;
  const none = () => setChosen(new Set());
  return (
    <>
      <label className="flex items-center gap-2 pb-2 text-soft">
        {say('retention.by-day')}
        <input
          type="date"
          className="min-h-8 rounded-sm border border-edge bg-sheet px-2 text-ink"
          value={by}
          onChange={(event) => go({ page: '', by: event.target.value })}
        />
      </label>
      {acts && (
        <div
          role="group"
          aria-label={say('retention.what-to-do')}
          className="flex flex-wrap items-center gap-2 pb-2"
        >
          <Button onClick={() => setChosen(allShown ? new Set() : new Set([...chosen, ...shown]))}>
            {say(allShown ? 'retention.untick-page' : 'retention.tick-page')}
          </Button>
          <Button
            look="grave"
            disabled={chosen.size === 0}
            onClick={() => setMeant({ numbers: [...chosen] })}
          >
            {say('retention.destroy-chosen', { count: chosen.size })}
          </Button>
          <Button disabled={chosen.size === 0} onClick={() => setHolding(true)}>
            {say('retention.hold-chosen', { count: chosen.size })}
          </Button>
          {list.data.total > shown.length && !list.data.more && (
            <Button look="grave" onClick={() => setMeant({ template, count: list.data.total })}>
              {say('retention.destroy-all', { count: list.data.total })}
            </Button>
          )}
        </div>
      )}
      <ListRoom
        label={say('retention.due')}
        query={list}
        place={place}
        columns={dueColumns(chosen, acts ? choose : undefined)}
        keyOf={({ number }) => number}
        to={placeOf}
        waiting={say('retention.looking')}
        empty={say(by ? 'retention.none-due-by' : 'retention.none-due')}
      />
      {meant && (
        <ConfirmDestruction
          meant={meant}
          onClose={() => setMeant(undefined)}
          onDone={() => {
            none();
            setMeant(undefined);
          }}
        />
      )}
      {holding && (
        <HoldDialog
          numbers={[...chosen]}
          onClose={() => setHolding(false)}
          onDone={() => {
            none();
            setHolding(false);
          }}
        />
      )}
    </>
  );
}
