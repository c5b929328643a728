import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { AgreementRows } from '../agreements/AgreementRows';
import { answer, api } from '../api/client';
import { Filter, Pager, useListPlace } from '../ui/ListTools';
import { Empty, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { CheckFile } from './CheckFile';

/** Completed agreements, found by party, number, template, any value or any word. */
export default function ArchiveRoom() {
  const { find, page, go } = useListPlace();
  const list = useQuery({
    queryKey: ['archive', find, page],
    queryFn: () => answer(api.GET('/api/v1/archive', { params: { query: { find, page } } })),
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
      <Trouble error={list.error} />
      {list.isPending && <Waiting what="Looking into the archive…" />}
      {list.data && list.data.total === 0 && (
        <Empty>
          {find
            ? 'Nothing in the archive has these words. Try the beginning of one word only.'
            : 'Agreements are filed here when the last party has acted.'}
        </Empty>
      )}
      {list.data && list.data.total > 0 && (
        <>
          <AgreementRows items={list.data.items} room="/archive" />
          <Pager {...list.data} onPage={(next) => go({ page: String(next) })} />
        </>
      )}
    </>
  );
}
