import { say } from '../messages/rooms';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { FileButton } from '../ui/FileButton';
import { Button, inputLook, RoomTitle, Table, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { date } from '../ui/time';

/** One clause with its versions. */
export default function ClauseRoom() {
  const { id = '' } = useParams();
  const queries = useQueryClient();
  const [note, setNote] = useState('');
  const clause = useQuery({
    queryKey: ['clause', id],
    queryFn: () => answer(api.GET('/api/v1/clauses/{id}', { params: { path: { id } } })),
  });
  const bring = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['ClauseDetail']>(
        `/api/v1/clauses/${id}/versions?note=${encodeURIComponent(note)}`,
        file,
      ),
    onSuccess: (next) => {
      setNote('');
      queries.setQueryData(['clause', id], next);
      void queries.invalidateQueries({ queryKey: ['clauses'] });
    },
  });
  const tidy = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/clauses/{id}/tidying', { params: { path: { id } } })),
    onSuccess: (next) => {
      queries.setQueryData(['clause', id], next);
      void queries.invalidateQueries({ queryKey: ['clauses'] });
    },
  });
  if (!clause.data) return <Unshown query={clause} waiting={say('clauses.opening-the-clause')} />;
  const { name, versions, fields, diagnostics } = clause.data;
  return (
    <>
      <RoomTitle title={name.replace(/_/g, ' ')}>
        <span className="font-mono">{`{{>${name}}}`}</span>
        <Link to="/clauses">{say('clauses.all-clauses')}</Link>
      </RoomTitle>
      <p className="pb-3 text-soft">
        {fields.length
          ? say('clauses.it-uses', { fields: fields.join(', ') })
          : say('clauses.it-uses-no-fields')}
      </p>
      {diagnostics.map((one, i) => (
        <p key={i} className="text-oxide">
          {one.message} {one.cure} <q className="font-mono">{one.place}</q>
        </p>
      ))}
      {diagnostics.some((one) => one.code === 'tracked-changes' || one.code === 'comments') && (
        <Button className="mb-3" disabled={tidy.isPending} onClick={() => tidy.mutate()}>
          {say('clauses.accept-all-changes-and-delete')}
        </Button>
      )}
      <Trouble error={tidy.error} />
      <div
        role="group"
        aria-label={say('clauses.bring-in-the-next-version')}
        className="mb-4 flex items-end gap-3"
      >
        <label className="flex w-96 flex-col gap-1">
          <span className="text-soft">{say('clauses.what-changed-in-the-next')}</span>
          <input
            className={inputLook}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <FileButton
          what={say('clauses.word-file-of-the-next')}
          accept=".docx"
          disabled={bring.isPending}
          onFile={(file) => bring.mutate(file)}
        >
          {say('clauses.bring-in-the-next-version')}
        </FileButton>
      </div>
      <Trouble error={bring.error} />
      <Table
        head={[
          say('clauses.version'),
          say('clauses.what-changed'),
          say('clauses.by'),
          say('clauses.since'),
          '',
        ]}
      >
        {versions.map((one) => (
          <tr key={one.number}>
            <td>{one.number}</td>
            <td>{one.note}</td>
            <td className="text-soft">{one.createdBy}</td>
            <td className="text-soft">{date(one.createdAt)}</td>
            <td className="flex gap-4 pt-2">
              <a href={`/api/v1/clauses/${id}/versions/${one.number}/wording`} download>
                {say('clauses.word-file')}
              </a>
              <a href={`/api/v1/clauses/${id}/versions/${one.number}/pages.pdf`}>
                {say('clauses.pages')}
              </a>
            </td>
          </tr>
        ))}
      </Table>
    </>
  );
}
