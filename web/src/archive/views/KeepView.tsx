import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, inputLook, Labelled, Trouble } from '../../ui/parts';
import { viewOf, type Asked, type SavedView } from './asked';

/** Keeps how the archive is looked at now: as a new view, or in place of the one that was opened. */
export function KeepView({
  asked,
  sort,
  opened,
  coordinator,
  onKept,
  onClose,
}: {
  asked: Asked;
  sort: string;
  /** The view that was opened and that this person may change. */
  opened: SavedView | undefined;
  coordinator: boolean;
  onKept: (view: SavedView | undefined) => void;
  onClose: () => void;
}) {
  const { register, handleSubmit, watch } = useForm({
    defaultValues: {
      name: opened?.name ?? '',
      shared: opened?.shared ?? false,
      usual: opened?.usual ?? false,
    },
  });
  const queries = useQueryClient();
  const kept = async (view: SavedView | undefined) => {
    await queries.invalidateQueries({ queryKey: ['archive', 'views'] });
    onKept(view);
    onClose();
  };
  const keep = useMutation({
    mutationFn: ({
      typed,
      id,
    }: {
      typed: { name: string; shared: boolean; usual: boolean };
      id: string | undefined;
    }) => {
      const body = {
        ...typed,
        usual: typed.usual && typed.shared && asked.template !== '',
        template: asked.template || null,
        state: asked.state,
        view: viewOf(asked, sort),
      };
      return id
        ? answer(api.PUT('/api/v1/archive/views/{id}', { params: { path: { id } }, body }))
        : answer(api.POST('/api/v1/archive/views', { body }));
    },
    onSuccess: kept,
  });
  const remove = useMutation({
    mutationFn: (id: string) =>
      answer(api.DELETE('/api/v1/archive/views/{id}', { params: { path: { id } } })),
    onSuccess: () => kept(undefined),
  });
  const submit = (id: string | undefined) => handleSubmit((typed) => keep.mutate({ typed, id }))();
  return (
    <DialogShell open title={say('archive.keep-this-view')} onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit(opened?.id);
        }}
      >
        <Labelled id="view-name" label={say('archive.view-name')} hint={say('archive.view-hint')}>
          <input id="view-name" className={inputLook} maxLength={80} {...register('name')} />
        </Labelled>
        {coordinator && (
          <label className="flex items-center gap-2">
            <input type="checkbox" className="size-5" {...register('shared')} />
            {say('archive.view-shared')}
          </label>
        )}
        {coordinator && asked.template !== '' && watch('shared') && (
          <label className="flex items-center gap-2">
            <input type="checkbox" className="size-5" {...register('usual')} />
            {say('archive.view-usual')}
          </label>
        )}
        <Trouble error={keep.error ?? remove.error} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {opened ? say('archive.keep-in-place') : say('archive.keep-view')}
          </Button>
          {opened && (
            <Button disabled={keep.isPending} onClick={() => void submit(undefined)}>
              {say('archive.keep-as-new')}
            </Button>
          )}
          {opened && (
            <Button
              look="grave"
              disabled={remove.isPending}
              onClick={() => remove.mutate(opened.id)}
            >
              {say('archive.remove-view')}
            </Button>
          )}
          <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
        </div>
      </form>
    </DialogShell>
  );
}
