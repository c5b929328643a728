import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { ListRoom } from '../../ui/list/ListRoom';
import { Chips } from '../../ui/list/ListTools';
import { useListPlace, type ListPlace } from '../../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../../ui/parts';
import { TemplateChoice, useAskable } from '../TemplateChoice';
import { DueAgreements } from './DueAgreements';
import { LiftDialog } from './HoldDialog';
import { KeepSoLong } from './KeepSoLong';
import {
  useConfirmed,
  useDestroyed,
  useHolds,
  useRetentionAnew,
  useTemplateRetention,
  type LegalHold,
} from './queries';
import { confirmedColumns, destroyedColumns, holdColumns, placeOf } from './retentionColumns';
import { ruleWords } from './ruleWords';

const lists = ['due', 'held', 'confirmed', 'destroyed'] as const;
type Which = (typeof lists)[number];

const listWords: Record<Which, string> = {
  due: say('retention.due'),
  held: say('retention.held'),
  confirmed: say('retention.confirmed'),
  destroyed: say('retention.destroyed'),
};

/** What has been kept long enough, what a legal hold keeps, what is destroyed and what stays of it. */
export default function RetentionRoom() {
  const place = useListPlace();
  const { params, go } = place;
  const coordinator = useMay('COORDINATOR');
  const templates = useAskable();
  const [settling, setSettling] = useState(false);
  const template = params.get('template') ?? '';
  const which = lists.find((one) => one === params.get('list')) ?? 'due';
  const rule = useTemplateRetention(template);
  return (
    <>
      <RoomTitle title={say('retention.retention')}>
        <TemplateChoice chosen={template} onChoose={(id) => go({ page: '', template: id })} />
        {coordinator && <Link to="/archive/person">{say('person.room')}</Link>}
        {coordinator && rule.data && (
          <Button onClick={() => setSettling(true)}>{say('retention.settle')}</Button>
        )}
      </RoomTitle>
      <Chips
        label={say('retention.which')}
        options={lists.map((value) => ({ value, words: listWords[value] }))}
        required
        chosen={which}
        onChoose={(value) => go({ page: '', by: '', list: value === 'due' ? '' : value })}
      />
      <Trouble error={rule.error} />
      {rule.data && <p className="pb-2 text-soft">{ruleWords(rule.data.rule)}</p>}
      {which === 'due' && (
        <DueAgreements key={template} template={template} place={place} fixed={!coordinator} />
      )}
      {which === 'held' && <Held place={place} fixed={!coordinator} />}
      {which === 'confirmed' && <Confirmed place={place} fixed={!coordinator} />}
      {which === 'destroyed' && <Destroyed template={template} place={place} />}
      {settling && rule.data && (
        <KeepSoLong
          template={template}
          name={templates.find(({ id }) => id === template)?.name ?? ''}
          kept={rule.data}
          onClose={() => setSettling(false)}
        />
      )}
    </>
  );
}

function Held({ place, fixed }: { place: ListPlace; fixed: boolean }) {
  const list = useHolds(place);
  const [lifted, setLifted] = useState<LegalHold>();
  return (
    <>
      <ListRoom
        label={listWords.held}
        query={list}
        place={place}
        columns={holdColumns(fixed ? undefined : setLifted)}
        keyOf={({ id }) => id}
        to={placeOf}
        waiting={say('retention.looking')}
        empty={say('retention.none-held')}
      />
      {lifted && <LiftDialog hold={lifted} onClose={() => setLifted(undefined)} />}
    </>
  );
}

function Confirmed({ place, fixed }: { place: ListPlace; fixed: boolean }) {
  const list = useConfirmed(place);
  const anew = useRetentionAnew();
  const keep = useMutation({
    mutationFn: ({ number }: { number: string }) =>
      answer(
        api.DELETE('/api/v1/archive/retention/destructions/{number}', {
          params: { path: { number } },
        }),
      ),
    onSettled: anew,
  });
  return (
    <>
      <Trouble error={keep.error} />
      <ListRoom
        label={listWords.confirmed}
        query={list}
        place={place}
        columns={confirmedColumns(fixed ? undefined : (one) => keep.mutate(one))}
        keyOf={({ number }) => number}
        to={({ number }) => `/agreements/${number}`}
        waiting={say('retention.looking')}
        empty={say('retention.none-confirmed')}
      />
    </>
  );
}

function Destroyed({ template, place }: { template: string; place: ListPlace }) {
  const list = useDestroyed({ ...(template && { template }) }, place);
  return (
    <ListRoom
      label={listWords.destroyed}
      query={list}
      place={place}
      columns={destroyedColumns}
      keyOf={({ number }) => number}
      waiting={say('retention.looking')}
      empty={say('retention.none-destroyed')}
    />
  );
}
