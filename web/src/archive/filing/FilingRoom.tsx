import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Empty, RoomTitle, Trouble } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { FilingForm, usualTerms } from './FilingForm';
import { FilingPlace } from './FilingPlace';

/** Places outside to which completed agreements are filed by themselves. */
export default function FilingRoom() {
  const [adding, setAdding] = useState(false);
  const queries = useQueryClient();
  const places = useQuery({
    queryKey: ['filing'],
    queryFn: () => answer(api.GET('/api/v1/archive/filing')),
    refetchInterval: 3000,
  });
  if (!places.data) return <Unshown query={places} waiting={say('filing.opening')} />;
  const { targets, folders } = places.data;
  return (
    <>
      <RoomTitle title={say('filing.filing')}>
        {!adding && (
          <Button look="main" onClick={() => setAdding(true)}>
            {say('filing.new-place')}
          </Button>
        )}
      </RoomTitle>
      <p className="max-w-prose pb-3 text-soft">{say('filing.what-it-does')}</p>
      <Trouble error={places.error} />
      {adding && (
        <FilingForm
          terms={{ ...usualTerms, address: folders[0] ?? '' }}
          folders={folders}
          act={say('filing.file-there')}
          save={(terms, password) =>
            answer(
              api.POST('/api/v1/archive/filing', { body: { terms, password: password ?? '' } }),
            )
          }
          onSaved={() => {
            setAdding(false);
            void queries.invalidateQueries({ queryKey: ['filing'] });
          }}
          onLeave={() => setAdding(false)}
        />
      )}
      {targets.length === 0 && !adding && <Empty>{say('filing.none-yet')}</Empty>}
      {targets.map((target) => (
        <FilingPlace key={target.id} target={target} folders={folders} />
      ))}
    </>
  );
}
