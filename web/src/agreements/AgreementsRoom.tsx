import { say } from '../messages/rooms';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { Link } from 'react-router';
import { useMay } from '../office/roles';
import { ListRoom } from '../ui/list/ListRoom';
import { Chips, Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { stateWords } from '../ui/words';
import { agreementColumns } from './agreementColumns';

type State = Schemas['AgreementItem']['state'];

const columns = agreementColumns('/agreements');
const states = Object.entries(stateWords).map(([value, words]) => ({
  value: value as State,
  words,
}));

/** All agreements, by state and by any word. */
export default function AgreementsRoom() {
  const place = useListPlace();
  const coordinator = useMay('COORDINATOR');
  const { params, find, at, sort, go } = place;
  const state = (params.get('state') ?? '') as State | '';
  const list = useQuery({
    queryKey: ['agreements', state, find, sort, at],
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements', {
          params: { query: { find, sort, ...at, state: state ? [state] : [] } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 10_000,
  });
  return (
    <>
      <RoomTitle title={say('agreements.agreements')}>
        {coordinator && <Link to="/agreements/scans">{say('scans.signed-paper')}</Link>}
        <Filter
          label={say('agreements.find-in-agreements')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <Chips
        label={say('agreements.state')}
        options={states}
        chosen={state}
        onChoose={(value) => go({ state: value, page: '' })}
      />
      <ListRoom
        label={say('agreements.agreements')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(item) => item.number}
        to={(item) => `/agreements/${item.number}`}
        waiting={say('agreements.looking-up-agreements')}
        empty={
          find || state
            ? say('agreements.no-agreement-fits-take-a')
            : say('agreements.agreements-stand-here-once-a')
        }
      />
    </>
  );
}
