import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { saveFile } from '../../ui/saveFile';
import { Button, Empty, inputLook, Labelled, RoomTitle, Table, Trouble } from '../../ui/parts';
import { date } from '../../ui/time';
import { stateWords } from '../../ui/words';
import { placeOf } from '../retention/retentionColumns';

/** What is kept of a person, across all rooms; given out as a file when they ask for it. */
export default function PersonRoom() {
  const [who, setWho] = useState('');
  const find = useMutation({
    mutationFn: (wanted: string) =>
      answer(api.POST('/api/v1/archive/person/search', { body: { who: wanted } })),
  });
  const kept = find.data;
  return (
    <>
      <RoomTitle title={say('person.room')}>
        <Link to="/archive/retention">{say('retention.retention')}</Link>
      </RoomTitle>
      <form
        className="flex max-w-2xl flex-wrap items-end gap-3 pb-4"
        onSubmit={(event) => {
          event.preventDefault();
          find.mutate(who);
        }}
      >
        <div className="min-w-64 grow">
          <Labelled id="person-who" label={say('person.who')} hint={say('person.who-hint')}>
            <input
              id="person-who"
              className={inputLook}
              autoComplete="off"
              aria-describedby="person-who-hint"
              value={who}
              onChange={(event) => setWho(event.target.value)}
            />
          </Labelled>
        </div>
        <Button type="submit" look="main" disabled={find.isPending || who.trim().length < 3}>
          {say(find.isPending ? 'person.looking' : 'person.find')}
        </Button>
      </form>
      <Trouble error={find.error} />
      {kept && <Kept kept={kept} />}
    </>
  );
}

function Kept({ kept }: { kept: Schemas['PersonKept'] }) {
  const nothing =
    !kept.agreements.length && !kept.requests.length && !kept.rows.length && !kept.mails;
  return (
    <section aria-label={say('person.kept-of', { who: kept.who })} className="flex flex-col gap-4">
      <p role="status">
        {nothing
          ? say('person.nothing', { who: kept.who })
          : say('person.found', {
              agreements: kept.agreements.length,
              requests: kept.requests.length,
              rows: kept.rows.length,
              mails: kept.mails,
            })}
        {kept.colleague && ` ${say('person.colleague')}`}
        {kept.more && ` ${say('person.more')}`}
      </p>
      {kept.called.length > 1 && (
        <p className={kept.doubtful ? 'text-clay' : 'text-soft'}>
          {say(kept.doubtful ? 'person.doubtful' : 'person.called', {
            people: kept.called.map(({ name, mail }) => `${name} <${mail}>`).join(', '),
          })}
        </p>
      )}
      {nothing && <Empty>{say('person.nothing-hint')}</Empty>}
      {!nothing && !kept.doubtful && <GiveOut who={kept.who} />}
      {kept.agreements.length > 0 && (
        <Part title={say('person.agreements')}>
          <Table
            head={[
              say('dates.agreement'),
              say('archive.template'),
              say('person.parts'),
              say('person.acts'),
              say('person.state'),
            ]}
          >
            {kept.agreements.map((one) => (
              <tr key={one.number}>
                <td>
                  <Link to={placeOf(one)}>{one.title}</Link>{' '}
                  <span className="text-soft">{one.number}</span>
                </td>
                <td className="text-soft">{one.template}</td>
                <td>{one.parts.join(', ') || say('person.only-named')}</td>
                <td className="tabular-nums">{one.acts}</td>
                <td>
                  {stateWords[one.state]} <span className="text-soft">{date(one.since)}</span>
                </td>
              </tr>
            ))}
          </Table>
        </Part>
      )}
      {kept.requests.length > 0 && (
        <Part title={say('person.requests')}>
          <ul>
            {kept.requests.map((one) => (
              <li key={one.number}>
                <Link to={`/intake/${one.number}`}>{one.number}</Link>{' '}
                <span className="text-soft">{date(one.at)}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {kept.rows.length > 0 && (
        <Part title={say('person.rows')}>
          <ul>
            {kept.rows.map((one) => (
              <li key={one.id}>
                {one.label} <span className="text-soft">{one.register}</span>
                {one.gone && <span className="text-soft">{` ${say('person.taken-out')}`}</span>}
              </li>
            ))}
          </ul>
        </Part>
      )}
    </section>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div>
      <h2 className="pb-1 text-lg">{title}</h2>
      {children}
    </div>
  );
}

/** The file is asked for by what is posted, so that nobody's name stands in an address. */
function GiveOut({ who }: { who: string }) {
  const give = useMutation({
    mutationFn: async () => {
      const file = await answer(
        api.POST('/api/v1/archive/person/file', { body: { who }, parseAs: 'blob' }),
      );
      saveFile(file as unknown as Blob, say('person.file-name'));
    },
  });
  return (
    <div className="flex flex-col gap-2">
      <p className="max-w-3xl text-soft">{say('person.file-hint')}</p>
      <Button className="self-start" disabled={give.isPending} onClick={() => give.mutate()}>
        {say(give.isPending ? 'person.making' : 'person.give-out')}
      </Button>
      <Trouble error={give.error} />
    </div>
  );
}
