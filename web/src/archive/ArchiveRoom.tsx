import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { agreementColumns } from '../agreements/AgreementRows';
import { answer, api } from '../api/client';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { CheckFile } from './CheckFile';

const columns = agreementColumns('/archive');

/** Completed agreements, found by party, number, template, any value or any word. */
export default function ArchiveRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const list = useQuery({
    queryKey: ['archive', find, sort, page],
    queryFn: () => answer(api.GET('/api/v1/archive', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title="Archive">
        <Filter
          label="Find by party, number, value or word"
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <section aria-label="Check a file" className="mb-4 flex flex-col gap-2">
        <p className="text-soft">
          A PDF that somebody sends you: find out which agreement it is, and whether it is whole.
        </p>
        <CheckFile />
      </section>
      <ListRoom
        label="Archive"
        query={list}
        place={place}
        columns={columns}
        keyOf={(item) => item.number}
        to={(item) => `/archive/${item.number}`}
        waiting="Looking into the archive…"
        empty={
          find
            ? 'Nothing in the archive has these words. Try the beginning of one word only.'
            : 'Agreements are filed here when the last party has acted.'
        }
      />
    </>
  );
}
