import { say } from '../messages/rooms';
import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { acceptedFiles, refusedFor } from '../ui/documentFiles';
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

const rightNames = {
  USE: say('templates.may-use'),
  PREPARE: say('templates.may-prepare'),
  SEE: say('templates.may-see'),
};
const everyRight = Object.keys(rightNames).length;

const columns: Column<Item>[] = [
  {
    id: 'name',
    title: say('templates.template'),
    width: 230,
    sort: 'name',
    cell: (one) => <Link to={`/templates/${one.id}`}>{one.name}</Link>,
  },
  {
    id: 'version',
    title: say('templates.version'),
    width: 120,
    cell: (one) => (
      <span className={one.state === 'DRAFT' ? 'text-clay' : 'text-moss'}>
        {one.version},{' '}
        {one.state === 'DRAFT' ? say('templates.draft') : say('templates.state-published')}
      </span>
    ),
  },
  {
    id: 'inuse',
    title: say('templates.in-use'),
    width: 110,
    cell: (one) =>
      one.publishedVersion
        ? say('templates.version-in-use', { publishedVersion: one.publishedVersion })
        : say('templates.not-yet'),
  },
  {
    id: 'parties',
    title: say('templates.parties'),
    width: 340,
    cell: (one) => (
      <span className="text-soft" title={one.parties.join(', ')}>
        {one.parties.join(', ')}
      </span>
    ),
  },
  { id: 'fields', title: say('templates.fields'), width: 70, cell: (one) => one.fields },
  {
    id: 'changed',
    title: say('templates.changed'),
    width: 130,
    sort: 'changed',
    cell: (one) => <span className="text-soft">{date(one.changedAt)}</span>,
  },
  {
    id: 'form',
    title: say('templates.form'),
    width: 120,
    cell: (one) =>
      one.publishedVersion > 0 &&
      one.may.includes('USE') &&
      !one.retired && <Link to={`/intake/new/${one.id}`}>{say('templates.fill-its-form')}</Link>,
    present: (one) => one.publishedVersion > 0 && !one.retired,
  },
  {
    id: 'may',
    title: say('templates.you-may'),
    width: 130,
    cell: (one) => (
      <span className="text-soft">
        {one.may.length < everyRight && one.may.map((right) => rightNames[right]).join(', ')}
      </span>
    ),
    present: (one) => one.may.length < everyRight,
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
      <RoomTitle title={say('templates.templates')}>
        <Filter
          label={say('templates.find-a-template')}
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
          {say('templates.retired-ones')}
        </label>
        <Link to="/clauses">{say('templates.clauses-room')}</Link>
        <Link to="/templates/new">{say('templates.write-one-here')}</Link>
        <Button look="main" onClick={() => setAdding(true)}>
          {say('templates.bring-in-a-word-file')}
        </Button>
      </RoomTitle>
      {adding && <BringIn onClose={() => setAdding(false)} />}
      <ListRoom
        label={say('templates.templates')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/templates/${one.id}`}
        waiting={say('templates.looking-up-templates')}
        empty={
          find ? say('templates.no-template-has-this-name') : say('templates.a-template-is-a-word')
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
    mutationFn: async ({ name, file, plain = false }: NewTemplate & { plain?: boolean }) => {
      const word = file[0];
      if (!word) throw new Error(say('templates.no-file'));
      return upload<Schemas['TemplateDetail']>(
        `/api/v1/templates?name=${encodeURIComponent(name)}&plain=${plain}`,
        word,
      );
    },
    onSuccess: (made) => void navigate(`/templates/${made.id}`),
  });
  const nameFault = form.formState.errors.name && say('templates.give-the-template-a-name');
  const fileFault = form.formState.errors.file && say('templates.choose-the-word-file-docx');
  return (
    <form
      aria-label={say('templates.bring-in-a-word-file')}
      className="mb-5 grid max-w-3xl grid-cols-[1fr_1fr_auto] items-end gap-4 border border-rule bg-sheet p-4"
      onSubmit={(event) => void form.handleSubmit((values) => bringIn.mutate(values))(event)}
    >
      <Labelled id="new-name" label={say('templates.name-of-the-template')} fault={nameFault}>
        <input
          id="new-name"
          className={inputLook}
          {...describedBy('new-name', undefined, nameFault)}
          {...form.register('name', { required: true })}
        />
      </Labelled>
      <Labelled id="new-file" label={say('templates.word-file-docx')} fault={fileFault}>
        <input
          id="new-file"
          type="file"
          accept={acceptedFiles}
          className={inputLook}
          {...describedBy('new-file', undefined, fileFault)}
          {...form.register('file', { validate: (files) => files.length > 0 })}
        />
      </Labelled>
      <div className="flex gap-2">
        <Button type="submit" look="main" disabled={bringIn.isPending}>
          {say('templates.bring-it-in')}
        </Button>
        <Button onClick={onClose}>{say('templates.close')}</Button>
      </div>
      <div className="col-span-3 empty:hidden">
        <Trouble error={bringIn.error} />
        {refusedFor(bringIn.error) === 'pdf.not-archivable' && (
          <Button
            className="mt-2"
            onClick={() => bringIn.mutate({ ...form.getValues(), plain: true })}
          >
            {say('documents.go-on-plain')}
          </Button>
        )}
      </div>
    </form>
  );
}
