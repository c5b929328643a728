import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../../ui/parts';
import { date } from '../../ui/time';
import type { Paper } from './usePaper';

type Closing = { broughtBy: string; receivedOn: string; note: string; agreed: boolean };

/** Files what came back, with who brought it; tells what is lacking until it can. */
export function ClosePaper({ number, paper }: { number: string; paper: Paper }) {
  const queries = useQueryClient();
  const { open, inDoubt, looked, printedOn, closed } = paper;
  const form = useForm<Closing>({
    defaultValues: { broughtBy: '', receivedOn: today(printedOn), note: '', agreed: false },
  });
  const close = useMutation({
    mutationFn: (body: Closing) =>
      answer(
        api.POST('/api/v1/agreements/{number}/paper/closing', {
          params: { path: { number } },
          body: { ...body, looked },
        }),
      ),
    onSuccess: (after) => {
      queries.setQueryData(['paper', number], after);
      void queries.invalidateQueries({ queryKey: ['agreement', number] });
    },
    // what was looked at may be others by now
    onError: () => void queries.invalidateQueries({ queryKey: ['paper', number] }),
  });
  if (closed)
    return (
      <p role="status" className="border-l-4 border-moss bg-sheet px-3 py-2">
        {say('paper.filed', { from: closed.broughtBy, day: date(closed.receivedOn) })}
      </p>
    );
  if (open.length)
    return (
      <section aria-label={say('paper.file-it')}>
        <h2 className="pb-1 text-lg">{say('paper.file-it')}</h2>
        {open.map((one) => (
          <p key={one} className="text-soft">
            {one}
          </p>
        ))}
      </section>
    );
  const { errors } = form.formState;
  return (
    <section aria-label={say('paper.file-it')}>
      <h2 className="pb-1 text-lg">{say('paper.file-it')}</h2>
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => void form.handleSubmit((body) => close.mutate(body))(event)}
      >
        <Labelled
          id="brought-by"
          label={say('paper.brought-by')}
          hint={say('paper.brought-by-hint')}
          fault={errors.broughtBy?.message}
        >
          <input
            id="brought-by"
            autoComplete="off"
            className={inputLook}
            {...form.register('broughtBy', {
              validate: (text) => text.trim() !== '' || say('paper.who-brought'),
            })}
            {...describedBy('brought-by', 'hint', errors.broughtBy?.message)}
          />
        </Labelled>
        <Labelled id="received-on" label={say('paper.received-on')}>
          <input
            id="received-on"
            type="date"
            min={printedOn}
            className={inputLook}
            {...form.register('receivedOn')}
          />
        </Labelled>
        <Labelled id="paper-note" label={say('paper.note')} required={false}>
          <textarea id="paper-note" rows={2} className={inputLook} {...form.register('note')} />
        </Labelled>
        {inDoubt > 0 && (
          <div>
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1 size-4 shrink-0"
                {...form.register('agreed', {
                  validate: (on) => on || say('paper.look-at-them'),
                })}
                {...describedBy('paper-agreed', '', errors.agreed?.message)}
              />
              {say('paper.looked-at', { count: inDoubt })}
            </label>
            {errors.agreed && (
              <p id="paper-agreed-fault" className="text-oxide">
                {errors.agreed.message}
              </p>
            )}
          </div>
        )}
        <Trouble error={close.error} />
        <Button type="submit" look="main" className="self-start" disabled={close.isPending}>
          {close.isPending ? say('paper.filing') : say('paper.file-as-signed')}
        </Button>
      </form>
    </section>
  );
}

/** Today where the clerk sits, but never before the print. */
function today(printedOn: string): string {
  const now = new Date();
  const two = (part: number) => String(part).padStart(2, '0');
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return day < printedOn ? printedOn : day;
}
