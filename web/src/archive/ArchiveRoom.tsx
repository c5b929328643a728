import { say } from '../messages/rooms';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { agreementColumns } from '../agreements/agreementColumns';
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
      <RoomTitle title={say('archive.archive')}>
        <Filter
          label={say('archive.find-by-party-number-value')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <section aria-label={say('archive.check-a-file')} className="mb-4 flex flex-col gap-2">
        <p className="text-soft">{say('archive.a-pdf-that-somebody-sends')}</p>
        <CheckFile />
      </section>
      <ListRoom
        label={say('archive.archive')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(item) => item.number}
        to={(item) => `/archive/${item.number}`}
        waiting={say('archive.looking-into-the-archive')}
        empty={
          find
            ? say('archive.nothing-in-the-archive-has')
            : say('archive.agreements-are-filed-here-when')
        }
      />
    </>
  );
}
