import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say, type RoomCode } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, inputLook, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import type { TemplateDocument } from './document';
import { proposedFate, withOwnForm, type Fate, type OwnField } from './ownForm';
import { useFixedPages } from './useFixedPages';

const kindWords: Record<OwnField['kind'], RoomCode> = {
  LINE: 'documents.own-line',
  LINES: 'documents.own-lines',
  TICK: 'documents.own-tick',
  ONE_OF: 'documents.own-one-of',
  LIST: 'documents.own-list',
  SIGNATURE: 'documents.own-signature',
};

/** The fields that a PDF brings, taken over as data or as signing fields of a party. */
export function OwnFormDialog({ bench, document }: { bench: Bench; document: TemplateDocument }) {
  const { detail, settings, change } = bench;
  const [open, setOpen] = useState(false);
  const [fates, setFates] = useState<Record<string, Fate>>({});
  const { sizes } = useFixedPages(bench, document);
  const form = useQuery({
    queryKey: ['own-form', detail.id, document.id, document.brought],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/documents/{document}/form', {
          params: { path: { id: detail.id, document: document.id } },
        }),
      ),
    staleTime: Infinity,
  });
  const fields = form.data ?? [];
  if (!fields.length) return <Trouble error={form.error} />;
  const fateOf = (one: OwnField) => fates[one.name] ?? proposedFate(one, settings);
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        {say('documents.take-over-fields', { count: fields.length })}
      </Button>
      <DialogShell
        open={open}
        title={say('documents.fields-of-the-pdf')}
        width="wide"
        onClose={() => setOpen(false)}
      >
        <div className="flex flex-col gap-3">
          <p className="text-soft">{say('documents.fields-of-the-pdf-hint')}</p>
          <table className="w-full">
            <thead>
              <tr className="text-left text-soft">
                <th scope="col" className="font-normal">
                  {say('documents.own-field')}
                </th>
                <th scope="col" className="font-normal">
                  {say('documents.own-kind')}
                </th>
                <th scope="col" className="font-normal">
                  {say('documents.becomes')}
                </th>
              </tr>
            </thead>
            <tbody>
              {fields.map((one) => (
                <tr key={one.name} className="border-t border-rule">
                  <td className="py-1 pr-3">
                    {one.label}
                    {one.required && (
                      <span className="text-soft"> {say('documents.own-required')}</span>
                    )}
                  </td>
                  <td className="pr-3 text-soft">{say(kindWords[one.kind])}</td>
                  <td className="py-1">
                    <select
                      aria-label={say('documents.becomes-of', { label: one.label })}
                      className={inputLook}
                      value={fateOf(one)}
                      onChange={(event) =>
                        setFates({ ...fates, [one.name]: event.target.value as Fate })
                      }
                    >
                      <option value="">{say('documents.stays-empty')}</option>
                      {one.kind !== 'SIGNATURE' && (
                        <option value="datum">{say('documents.a-datum')}</option>
                      )}
                      {settings.parties.map(({ key, label }) => (
                        <option key={key} value={`party:${key}`}>
                          {say('documents.completed-by', { party: label })}
                        </option>
                      ))}
                    </select>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button
            look="main"
            className="self-start"
            disabled={!sizes}
            onClick={() => {
              if (!sizes) return;
              const all = Object.fromEntries(fields.map((one) => [one.name, fateOf(one)]));
              change(withOwnForm(settings, document, fields, all, sizes));
              setOpen(false);
            }}
          >
            {say('documents.take-them-over')}
          </Button>
        </div>
      </DialogShell>
    </>
  );
}
