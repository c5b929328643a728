import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, describedBy, inputLook, Labelled, RoomTitle, Trouble } from '../ui/parts';
import { date } from '../ui/time';

type Item = Schemas['TemplateItem'];

const columns: Column<Item>[] = [
  {
    id: 'name',
    title: 'Template',
    width: 230,
    sort: 'name',
    cell: (one) => <Link to={`/templates/${one.id}`}>{one.name}</Link>,
  },
  {
    id: 'version',
    title: 'Version',
    width: 120,
    cell: (one) => (
      <span className={one.state === 'DRAFT' ? 'text-clay' : 'text-moss'}>
        {one.version}, {one.state === 'DRAFT' ? 'draft' : 'published'}
      </span>
    ),
  },
  {
    id: 'inuse',
    title: 'In use',
    width: 110,
    cell: (one) => (one.publishedVersion ? `version ${one.publishedVersion}` : 'not yet'),
  },
  {
    id: 'parties',
    title: 'Parties',
    width: 340,
    cell: (one) => (
      <span className="text-soft" title={one.parties.join(', ')}>
        {one.parties.join(', ')}
      </span>
    ),
  },
  { id: 'fields', title: 'Fields', width: 70, cell: (one) => one.fields },
  {
    id: 'changed',
    title: 'Changed',
    width: 130,
    sort: 'changed',
    cell: (one) => <span className="text-soft">{date(one.changedAt)}</span>,
  },
  {
    id: 'form',
    title: 'Form',
    width: 120,
    cell: (one) =>
      one.publishedVersion > 0 &&
      !one.retired && <Link to={`/intake/new/${one.id}`}>Fill its form</Link>,
    present: (one) => one.publishedVersion > 0 && !one.retired,
  },
];

/** All templates, and the way in for a new one. */
export default function TemplatesRoom() {
  const place = useListPlace();
  const { params, find, page, sort, go } = place;
  const retired = params.get('retired') === 'true';
  const [adding, setAdding] = useState(false);
  const list = useQuery({
    queryKey: ['templates', find, retired, sort, page],
    queryFn: () =>
      answer(api.GET('/api/v1/templates', { params: { query: { find, retired, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title="Templates">
        <Filter
          label="Find a template"
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={retired}
            onChange={(event) => go({ retired: event.target.checked ? 'true' : '', page: '' })}
          />
          retired ones
        </label>
        <Link to="/clauses">Clauses</Link>
        <Link to="/templates/new">Write one here</Link>
        <Button look="main" onClick={() => setAdding(true)}>
          Bring in a Word file
        </Button>
      </RoomTitle>
      {adding && <BringIn onClose={() => setAdding(false)} />}
      <ListRoom
        label="Templates"
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/templates/${one.id}`}
        waiting="Looking up templates…"
        empty={
          find
            ? 'No template has this name.'
            : 'A template is a Word file with tags such as {{lender_name}} and {{lender.signature}}. Bring the first one in.'
        }
      />
    </>
  );
}

type NewTemplate = { name: string; file: FileList };

function BringIn({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const form = useForm<NewTemplate>();
  const bringIn = useMutation({
    mutationFn: async ({ name, file }: NewTemplate) => {
      const word = file[0];
      if (!word) throw new Error('no file');
      return upload<Schemas['TemplateDetail']>(
        `/api/v1/templates?name=${encodeURIComponent(name)}`,
        word,
      );
    },
    onSuccess: (made) => void navigate(`/templates/${made.id}`),
  });
  const nameFault = form.formState.errors.name && 'Give the template a name.';
  const fileFault = form.formState.errors.file && 'Choose the Word file (.docx).';
  return (
    <form
      aria-label="Bring in a Word file"
      className="mb-5 grid max-w-3xl grid-cols-[1fr_1fr_auto] items-end gap-4 border border-rule bg-sheet p-4"
      onSubmit={(event) => void form.handleSubmit((values) => bringIn.mutate(values))(event)}
    >
      <Labelled id="new-name" label="Name of the template" fault={nameFault}>
        <input
          id="new-name"
          className={inputLook}
          {...describedBy('new-name', undefined, nameFault)}
          {...form.register('name', { required: true })}
        />
      </Labelled>
      <Labelled id="new-file" label="Word file (.docx)" fault={fileFault}>
        <input
          id="new-file"
          type="file"
          accept=".docx"
          className={inputLook}
          {...describedBy('new-file', undefined, fileFault)}
          {...form.register('file', { validate: (files) => files.length > 0 })}
        />
      </Labelled>
      <div className="flex gap-2">
        <Button type="submit" look="main" disabled={bringIn.isPending}>
          Bring it in
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
      <div className="col-span-3 empty:hidden">
        <Trouble error={bringIn.error} />
      </div>
    </form>
  );
}
