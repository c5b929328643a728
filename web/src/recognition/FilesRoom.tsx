import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { answer, api, upload, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { problemWords, useSay } from '../messages/useSay';
import { acceptedFiles } from '../ui/documentFiles';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { DropFiles } from '../ui/DropFiles';
import { fileColumns } from './fileColumns';

type Row = Schemas['FinishedFileRow'];

/** Something that is done to one after the other, and what went wrong with some. */
type Course = { done: number; of: number; wrong: { name: string; why: string }[] };

/** Agreements that were made elsewhere: dropped, recognised, and confirmed, many at once. */
export default function FilesRoom() {
  const place = useListPlace();
  const { page, sort } = place;
  const queries = useQueryClient();
  const words = useSay();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [course, setCourse] = useState<Course>();
  const list = useQuery({
    queryKey: ['finished-files', sort, page],
    queryFn: () => answer(api.GET('/api/v1/finished-files', { params: { query: { sort, page } } })),
    placeholderData: keepPreviousData,
    refetchInterval: (query) =>
      query.state.data?.items.some((one) => one.state === 'READING') ? 1200 : false,
  });
  const again = () => queries.invalidateQueries({ queryKey: ['finished-files'] });
  /** One after the other, so that each tells what became of it. */
  async function each<T>(all: T[], name: (one: T) => string, what: (one: T) => Promise<unknown>) {
    const wrong: Course['wrong'] = [];
    for (const [i, one] of all.entries()) {
      setCourse({ done: i, of: all.length, wrong: [...wrong] });
      try {
        await what(one);
      } catch (error) {
        wrong.push({ name: name(one), why: problemWords(words, error) });
      }
      if (i % 5 === 0) void again();
    }
    setCourse({ done: all.length, of: all.length, wrong });
    await again();
  }
  const bring = useMutation({
    mutationFn: (files: File[]) =>
      each(
        files,
        (file) => file.name,
        (file) => upload<Row>('/api/v1/finished-files', file),
      ),
  });
  const ready = list.data?.items.filter((one) => one.ready && chosen.has(one.id)) ?? [];
  const make = useMutation({
    mutationFn: (rows: Row[]) =>
      each(
        rows,
        (row) => row.name,
        (row) =>
          answer(
            api.POST('/api/v1/finished-files/{file}/agreement-as-read', {
              params: { path: { file: row.id } },
              body: { revision: row.revision },
            }),
          ),
      ),
    onSettled: () => setChosen(new Set()),
  });
  const remove = useMutation({
    mutationFn: (id: string) =>
      answer(api.DELETE('/api/v1/finished-files/{id}', { params: { path: { id } } })),
    onSettled: () => again(),
  });
  const columns = useMemo(
    () =>
      fileColumns(
        chosen,
        (id, on) =>
          setChosen((before) => {
            const after = new Set(before);
            if (on) after.add(id);
            else after.delete(id);
            return after;
          }),
        (id) => remove.mutate(id),
      ),
    [chosen, remove],
  );
  const busy = bring.isPending || make.isPending;
  const waiting = list.data?.items.filter((one) => one.ready) ?? [];
  return (
    <>
      <RoomTitle title={say('recognition.made-elsewhere')}>
        {waiting.length > 0 && (
          <>
            <Button
              disabled={busy}
              onClick={() => setChosen(new Set(waiting.map((one) => one.id)))}
            >
              {say('recognition.choose-ready', { count: waiting.length })}
            </Button>
            <Button
              look="main"
              disabled={busy || ready.length === 0}
              onClick={() => make.mutate(ready)}
            >
              {say('recognition.make-agreements', { count: ready.length })}
            </Button>
          </>
        )}
      </RoomTitle>
      <DropFiles
        says={say('recognition.drop-here')}
        what={say('recognition.finished-files')}
        accept={acceptedFiles}
        disabled={busy}
        several
        onFiles={(files) => bring.mutate(files)}
      >
        {say('recognition.choose-files')}
      </DropFiles>
      <Trouble error={remove.error} />
      {course && (
        <div role="status" className="py-2">
          {course.done < course.of
            ? say('recognition.course', { done: course.done, of: course.of })
            : course.wrong.length === 0
              ? say('recognition.course-done', { of: course.of })
              : say('recognition.course-wrong', { wrong: course.wrong.length, of: course.of })}
          <ul className="list-disc pl-5 text-oxide">
            {course.wrong.map((one, i) => (
              <li key={i}>{say('recognition.wrong-with', one)}</li>
            ))}
          </ul>
        </div>
      )}
      <ListRoom
        label={say('recognition.made-elsewhere')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/intake/files/${one.id}`}
        waiting={say('recognition.looking-up')}
        empty={say('recognition.none-yet')}
      />
    </>
  );
}
