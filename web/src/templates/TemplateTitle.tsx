import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useMutation, type UseMutationResult } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import type { Bench, Detail } from './bench/bench';
import type { useSteps } from './useSteps';

type Props = {
  bench: Bench;
  saving: boolean;
  steps: ReturnType<typeof useSteps>;
  publish: UseMutationResult<Detail, Error, number>;
  /** Nothing while it can't be published. */
  onPublish: (() => void) | undefined;
};

/** The template's name and state, the steps back and forth, and what can be done with it as a whole. */
export function TemplateTitle({ bench, saving, steps, publish, onPublish }: Props) {
  const { detail, fixed, unsaved, took } = bench;
  const { id, name, version, retired } = detail;
  const navigate = useNavigate();
  const path = { params: { path: { id } } };
  const startDraft = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/{id}/draft', path)),
    onSuccess: took,
  });
  const duplicate = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/templates/{id}/duplicate', {
          ...path,
          body: { name: say('templates.copy-of', { name }) },
        }),
      ),
    onSuccess: (made) => void navigate(`/templates/${made.id}`),
  });
  const keep = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/{id}/keeping', path)),
    onSuccess: took,
  });
  const retire = useMutation({
    mutationFn: () =>
      answer(
        retired
          ? api.DELETE('/api/v1/templates/{id}/retirement', path)
          : api.POST('/api/v1/templates/{id}/retirement', path),
      ),
    onSuccess: took,
  });
  return (
    <>
      <RoomTitle title={name}>
        <span className={fixed ? 'text-moss' : 'text-clay'}>
          {say('templates.version-state', {
            version,
            state: fixed ? 'published' : 'draft',
            use: retired ? 'retired' : 'in',
          })}
        </span>
        {detail.singleUse && (
          <span className="text-slate">{say('templates.for-one-agreement')}</span>
        )}
        {!fixed && (
          <>
            <span role="status" className="text-soft">
              {saving
                ? say('templates.saving')
                : unsaved
                  ? say('templates.not-saved-yet')
                  : say('templates.everything-is-saved')}
            </span>
            <span className="flex gap-1">
              <Button
                disabled={!steps.back}
                title={say('templates.take-back-key', { undo: detail.undo })}
                onClick={() => steps.back?.()}
              >
                {say('templates.take-back')}
                {detail.undo && ' '}
                <span className="sr-only">{detail.undo}</span>
              </Button>
              <Button
                disabled={!steps.again}
                title={say('templates.make-again-key', { redo: detail.redo })}
                onClick={() => steps.again?.()}
              >
                {say('templates.make-again')}
                {detail.redo && ' '}
                <span className="sr-only">{detail.redo}</span>
              </Button>
            </span>
          </>
        )}
        <Menu>
          <MenuButton as={Button}>{say('templates.more-acts')}</MenuButton>
          <MenuItems
            anchor="bottom"
            className="z-30 flex min-w-44 flex-col border border-edge bg-sheet py-1 shadow-page outline-none"
          >
            <MenuItem>
              <button
                type="button"
                className="min-h-8 px-3 text-left data-focus:bg-slatted"
                onClick={() => duplicate.mutate()}
              >
                {say('templates.duplicate')}
              </button>
            </MenuItem>
            <MenuItem>
              <button
                type="button"
                className="min-h-8 px-3 text-left data-focus:bg-slatted"
                onClick={() => retire.mutate()}
              >
                {retired ? say('templates.bring-back-into-use') : say('templates.retire')}
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
        {fixed ? (
          <>
            <Button disabled={startDraft.isPending} onClick={() => startDraft.mutate()}>
              {say('templates.start-version', { version: version + 1 })}
            </Button>
            {detail.singleUse && (
              <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
                {say('templates.keep-as-a-template')}
              </Button>
            )}
            {!retired && <Link to={`/intake/new/${id}`}>{say('templates.fill-its-form')}</Link>}
          </>
        ) : (
          <Button look="main" disabled={!onPublish} onClick={() => onPublish?.()}>
            {say('templates.publish-version', { version })}
          </Button>
        )}
      </RoomTitle>
      <Trouble
        error={publish.error ?? startDraft.error ?? duplicate.error ?? retire.error ?? keep.error}
      />
    </>
  );
}
