import { say, type RoomCode } from '../messages/rooms';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api } from '../api/client';
import { ListRoom } from '../ui/list/ListRoom';
import { Chips, Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { BegunForms } from './BegunForms';
import { ages, headingNames, headingOf, type Age, type Heading } from './requestHeadings';
import { stages, type Stage } from './requestWords';
import { requestColumns as columns } from './requestColumns';
import { Empty, RoomTitle } from '../ui/parts';
import { useAllTemplates } from '../templates/useAllTemplates';

/** Requests for agreements, and the forms to fill. */
export default function IntakeRoom() {
  const place = useListPlace();
  const { params, find, page, sort, go } = place;
  const stage = (params.get('stage') ?? '') as Stage | '';
  const owner = params.get('owner') ?? '';
  const template = params.get('template') ?? '';
  const age = (params.get('age') ?? '') as Age | '';
  const under = (params.get('under') ?? '') as Heading | '';
  const narrowed = {
    owner,
    find,
    ...(template ? { template } : {}),
    ...(age ? { age } : {}),
  };
  const ofStage = stage ? { stage } : {};
  const list = useQuery({
    queryKey: ['requests', stage, owner, template, age, under, find, sort, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/requests', {
          params: {
            query: { ...narrowed, ...ofStage, ...(under ? { under } : {}), sort, page },
          },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
  });
  const counts = useQuery({
    queryKey: ['requests', 'counts', owner, template, age, find],
    queryFn: () => answer(api.GET('/api/v1/requests/counts', { params: { query: narrowed } })),
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
  });
  const headings = useQuery({
    queryKey: ['requests', 'headings', stage, owner, template, age, under, find],
    queryFn: () =>
      answer(
        api.GET('/api/v1/requests/headings', {
          params: { query: { ...narrowed, ...ofStage, under: under || 'STAGE' } },
        }),
      ),
    enabled: under !== '',
    placeholderData: keepPreviousData,
    refetchInterval: 30_000,
  });
  const owners = useQuery({
    queryKey: ['request-owners'],
    queryFn: () => answer(api.GET('/api/v1/requests/owners')),
    staleTime: 60_000,
  });
  const templates = useAllTemplates();
  const usable =
    templates.data?.filter((one) => one.publishedVersion > 0 && one.may.includes('USE')) ?? [];
  return (
    <>
      <RoomTitle title={say('intake.intake')}>
        <Link to="/intake/links">{say('links.links')}</Link>
        <Link to="/intake/runs">{say('intake.runs')}</Link>
        <Link to="/intake/files">{say('recognition.made-elsewhere')}</Link>
      </RoomTitle>
      <BegunForms />
      <section aria-label={say('intake.forms')} className="pb-6">
        <h2 className="pb-1 text-lg">{say('intake.fill-a-form')}</h2>
        {templates.data && usable.length === 0 && (
          <Empty>
            {say('intake.every-published-template-has-a')}
            <Link to="/templates" className="underline underline-offset-3">
              {say('intake.templates')}
            </Link>
            .
          </Empty>
        )}
        <ul className="flex flex-wrap gap-x-6 gap-y-1">
          {usable.map((one) => (
            <li key={one.id}>
              <Link to={`/intake/new/${one.id}`} className="inline-block py-1">
                {one.name}
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-2">
        <h2 className="mr-auto text-lg">{say('intake.requests')}</h2>
        <label className="flex items-center gap-2">
          {say('intake.owner')}
          <select
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value={owner}
            onChange={(event) => go({ owner: event.target.value, page: '' })}
          >
            <option value="">{say('intake.anybody')}</option>
            <option value="me">{say('intake.mine')}</option>
            <option value="-">{say('intake.nobody')}</option>
            {owners.data?.map((one) => (
              <option key={one.mail} value={one.mail}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          {say('intake.template')}
          <select
            className="min-h-8 max-w-56 rounded-sm border border-edge bg-sheet px-2"
            value={template}
            onChange={(event) => go({ template: event.target.value, page: '' })}
          >
            <option value="">{say('intake.every-template')}</option>
            {templates.data?.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <Choice
          label={say('intake.age')}
          value={age}
          none={say('intake.any-age')}
          options={ages}
          onChoose={(value) => go({ age: value, page: '' })}
        />
        <Choice
          label={say('intake.under')}
          value={under}
          none={say('intake.under-nothing')}
          options={headingNames}
          onChoose={(value) => go({ under: value, page: '' })}
        />
        <Filter
          label={say('intake.find')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </div>
      <Chips
        label={say('intake.stage')}
        options={stages.map(([value, code]) => ({
          value,
          words: `${say(code)} ${counts.data?.find((one) => one.stage === value)?.count ?? 0}`,
        }))}
        chosen={stage}
        onChoose={(value) => go({ stage: value, page: '' })}
      />
      <ListRoom
        label={say('intake.requests')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.number}
        headed={under ? (row) => headingOf(row, under, headings.data ?? []) : undefined}
        to={(one) => `/intake/${one.number}`}
        waiting={say('intake.looking-up-requests')}
        empty={
          stage || owner || template || age || find
            ? say('intake.no-request-fits')
            : say('intake.no-request-yet-fill-one')
        }
      />
    </>
  );
}

/** One of a few things that the list can be narrowed by, or stand under. */
function Choice<Value extends string>({
  label,
  value,
  none,
  options,
  onChoose,
}: {
  label: string;
  value: Value | '';
  none: string;
  options: [Value, RoomCode][];
  onChoose: (value: string) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select
        className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
        value={value}
        onChange={(event) => onChoose(event.target.value)}
      >
        <option value="">{none}</option>
        {options.map(([one, code]) => (
          <option key={one} value={one}>
            {say(code)}
          </option>
        ))}
      </select>
    </label>
  );
}
