import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { Filter, Pager, useListPlace } from '../ui/ListTools';
import { Empty, inputLook, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { stateWords } from '../ui/words';
import { AgreementRows } from './AgreementRows';

type State = Schemas['AgreementItem']['state'];

/** All agreements, by state and by any word. */
export default function AgreementsRoom() {
  const { params, find, page, go } = useListPlace();
  const state = (params.get('state') ?? '') as State | '';
  const list = useQuery({
    queryKey: ['agreements', state, find, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements', {
          params: { query: { find, page, state: state ? [state] : [] } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 10_000,
  });
  return (
    <>
      <RoomTitle title="Agreements">
        <Filter
          label="Find in agreements"
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
        <label className="flex items-center gap-2">
          State
          <select
            className={inputLook}
            value={state}
            onChange={(event) => go({ state: event.target.value, page: '' })}
          >
            <option value="">any</option>
            {Object.entries(stateWords).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
      </RoomTitle>
      <Trouble error={list.error} />
      {list.isPending && <Waiting what="Looking up agreements…" />}
      {list.data && list.data.total === 0 && (
        <Empty>
          {find || state
            ? 'No agreement fits. Take a word out of the filter, or choose another state.'
            : 'Agreements stand here once a request has been turned into one. Fill a form in Intake.'}
        </Empty>
      )}
      {list.data && list.data.total > 0 && (
        <>
          <AgreementRows items={list.data.items} room="/agreements" />
          <Pager {...list.data} onPage={(next) => go({ page: String(next) })} />
        </>
      )}
    </>
  );
}
