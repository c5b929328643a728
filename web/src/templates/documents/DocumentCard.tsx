import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';
import { titleOf, withDocument, withMoved, WORDING, type TemplateDocument } from './document';
import { NewEdition } from './NewEdition';
import { OwnFormDialog } from './OwnFormDialog';

/** Everything that there is to settle about a document as a whole. */
export function DocumentCard({
  bench,
  document,
  onShow,
  onClose,
}: {
  bench: Bench;
  document: TemplateDocument;
  onShow: (id: string) => void;
  onClose: () => void;
}) {
  const { detail, settings, fixed, change } = bench;
  const [sure, setSure] = useState(false);
  const { documents, bundle } = settings;
  const at = documents.findIndex(({ id }) => id === document.id);
  const set = (part: Partial<TemplateDocument>) =>
    change(withDocument(settings, document.id, part));
  const rules = [
    ...settings.rules
      .filter((rule) => rule.gives === 'YES_NO' && !rule.within)
      .map(({ name, label }) => ({ name, label })),
    ...settings.fields
      .filter(({ type }) => type === 'YES_NO')
      .map(({ name, label }) => ({ name, label })),
  ];
  const remove = () => {
    const left = documents.filter(({ id }) => id !== document.id);
    change({ ...settings, documents: left });
    onShow(left[0]?.id ?? WORDING);
  };
  return (
    <section
      aria-label={say('documents.settings-of', { title: titleOf(document, detail.name) })}
      className="mt-1 flex w-full flex-col gap-3 border border-edge bg-sheet p-3 shadow-page"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <fieldset disabled={fixed} className="grid min-w-0 grid-cols-[1fr_1fr_1fr] items-end gap-3">
        <Setting label={say('documents.title')}>
          <input
            className={inputLook}
            value={document.title}
            placeholder={document.id === WORDING ? detail.name : ''}
            onChange={(event) => set({ title: event.target.value })}
          />
        </Setting>
        <Setting label={say('documents.comes-when')}>
          <select
            className={inputLook}
            value={document.when}
            onChange={(event) => set({ when: event.target.value })}
          >
            <option value="">{say('documents.always')}</option>
            {document.when && !rules.some(({ name }) => name === document.when) && (
              <option value={document.when}>{document.when}</option>
            )}
            {rules.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>
        </Setting>
        {document.kind === 'REQUESTED' && (
          <label className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={document.required}
              onChange={(event) => set({ required: event.target.checked })}
            />
            {say('documents.agreement-waits-for-it')}
          </label>
        )}
      </fieldset>
      <div className="flex flex-wrap items-center gap-2">
        {!fixed && (
          <>
            <Button
              disabled={at === 0}
              onClick={() => change(withMoved(settings, document.id, -1))}
            >
              {say('documents.move-forward')}
            </Button>
            <Button
              disabled={at === documents.length - 1}
              onClick={() => change(withMoved(settings, document.id, 1))}
            >
              {say('documents.move-back')}
            </Button>
          </>
        )}
        {document.kind === 'FIXED' && !fixed && (
          <>
            <OwnFormDialog bench={bench} document={document} />
            <NewEdition bench={bench} document={document} />
          </>
        )}
        {(document.kind === 'FIXED' || document.kind === 'ATTACHED') && (
          <a href={`/api/v1/templates/${detail.id}/documents/${document.id}/file`} download>
            {say('documents.download-the-file')}
          </a>
        )}
        {!fixed && documents.length > 1 && (
          <span className="ml-auto flex items-center gap-2">
            {sure ? (
              <>
                <span>{say('documents.really-remove')}</span>
                <Button look="grave" onClick={remove}>
                  {say('documents.remove-it')}
                </Button>
                <Button onClick={() => setSure(false)}>{say('documents.keep-it')}</Button>
              </>
            ) : (
              <Button onClick={() => setSure(true)}>{say('documents.remove')}</Button>
            )}
          </span>
        )}
      </div>
      <fieldset
        disabled={fixed}
        className="flex flex-wrap gap-x-6 gap-y-1 border-t border-rule pt-2"
      >
        <legend className="sr-only">{say('documents.how-they-go-together')}</legend>
        {(
          [
            ['contents', say('documents.contents-in-front')],
            ['onlyOwn', say('documents.only-own')],
          ] as const
        ).map(([name, words]) => (
          <label key={name} className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={bundle[name]}
              onChange={(event) =>
                change({ ...settings, bundle: { ...bundle, [name]: event.target.checked } })
              }
            />
            {words}
          </label>
        ))}
      </fieldset>
    </section>
  );
}
