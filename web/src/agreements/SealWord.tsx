import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useMay } from '../office/roles';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../ui/parts';
import { saveFile } from '../ui/saveFile';
import { handedIn, useServerFaults } from '../ui/serverFaults';

type Words = Schemas['SealWords'];

/** Has a document's Word file signed by the office; nothing for who may not. */
export function SealWord({
  number,
  document,
}: {
  number: string;
  document: Schemas['DocumentView'];
}) {
  const [open, setOpen] = useState(false);
  const coordinator = useMay('COORDINATOR');
  const words = useQuery({
    queryKey: ['word-seal', number],
    queryFn: () =>
      answer(api.GET('/api/v1/agreements/{number}/word-seal', { params: { path: { number } } })),
    enabled: open,
    // what somebody types isn't overtaken by what is fetched meanwhile
    refetchOnWindowFocus: false,
  });
  if (!coordinator || !document.hasWord) return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>{say('word-seal.open')}</Button>
      {open && (
        <DialogShell
          open
          title={say('word-seal.of', { title: document.title })}
          onClose={() => setOpen(false)}
        >
          <Trouble error={words.error} />
          {words.data && (
            <SealForm
              number={number}
              document={document}
              words={words.data}
              onClose={() => setOpen(false)}
            />
          )}
        </DialogShell>
      )}
    </>
  );
}

function SealForm({
  number,
  document,
  words,
  onClose,
}: {
  number: string;
  document: Schemas['DocumentView'];
  words: Words;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const form = useForm<Words>({ defaultValues: words });
  const { register, setError, formState } = form;
  const { errors } = formState;
  const seal = useMutation({
    mutationFn: async (body: Words) =>
      answer(
        api.POST('/api/v1/agreements/{number}/documents/{document}/sealed.docx', {
          params: { path: { number, document: document.id } },
          body,
          parseAs: 'blob',
        }),
      ),
    onSuccess: (file) => {
      saveFile(file as unknown as Blob, say('word-seal.file', { number, title: document.title }));
      void queries.invalidateQueries({ queryKey: ['word-seal'] });
      onClose();
    },
  });
  useServerFaults(seal.error, setError);
  const line = (name: 'role' | 'place' | 'comment', label: string, hint?: string) => (
    <Labelled
      id={`seal-${name}`}
      label={label}
      {...(hint ? { hint } : {})}
      required={false}
      fault={errors[name]?.message}
    >
      <input
        id={`seal-${name}`}
        className={inputLook}
        {...register(name)}
        {...describedBy(`seal-${name}`, hint, errors[name]?.message)}
      />
    </Labelled>
  );
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={handedIn(form, (typed) => seal.mutate(typed))}
    >
      <p className="text-soft">{say('word-seal.hint')}</p>
      {line('role', say('word-seal.role'), say('word-seal.role-hint'))}
      {line('place', say('word-seal.place'))}
      {line('comment', say('word-seal.comment'), say('word-seal.tags'))}
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-5" {...register('line')} />
        {say('word-seal.line')}
      </label>
      <FormTrouble error={seal.error} />
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="main" disabled={seal.isPending}>
          {seal.isPending ? say('word-seal.at-work') : say('word-seal.seal')}
        </Button>
        <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
      </div>
    </form>
  );
}
