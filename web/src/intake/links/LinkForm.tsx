import { useMutation } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { Problem, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../../ui/parts';
import { DateInput } from '../DateInput';
import { lastMoment } from '../../ui/lastMoment';

type Settings = Schemas['FormLinkSettings'];
type Row = Schemas['FormLinkRow'];

type Typed = {
  title: string;
  /** Who may fill it. */
  who: 'ALL' | 'WORD' | 'ONCE';
  word: string;
  closes: string;
  most: string;
  frames: string;
  thanks: string;
  then: Schemas['LinkTerms']['then'];
  document: boolean;
  wording: boolean;
  askerName: string;
  askerMail: string;
  officeMail: string;
  colleagues: boolean;
};

/** What is agreed about a link. */
export function LinkForm({
  form,
  link,
  act,
  save,
  onSaved,
}: {
  form: Schemas['Form'];
  /** As it is; nothing for a new one. */
  link?: Row;
  act: string;
  save: (settings: Settings) => Promise<Row>;
  onSaved: (link: Row) => void;
}) {
  const { register, handleSubmit, watch, setValue, setError, clearErrors, formState } =
    useForm<Typed>({
      defaultValues: typedOf(form, link),
    });
  const { errors } = formState;
  const keep = useMutation({
    mutationFn: (typed: Typed) => {
      clearErrors();
      return save(settingsOf(typed, form.template, link));
    },
    onSuccess: onSaved,
  });
  useEffect(() => {
    if (!(keep.error instanceof Problem)) return;
    Object.entries(keep.error.faults).forEach(([name, message], i) =>
      setError(name as keyof Typed, { message }, { shouldFocus: i === 0 }),
    );
  }, [keep.error, setError]);
  const [who, closes] = watch(['who', 'closes']);
  const asked = form.sections.flatMap(({ questions }) => questions.map(({ field }) => field));
  const fields = form.fields.filter(({ name }) => asked.includes(name));
  const mails = fields.filter(({ type, required }) => type === 'MAIL_ADDRESS' && required);
  const names = fields.filter(({ type }) => type === 'TEXT' || type === 'NAME');
  const input = (name: keyof Typed, label: string, hint?: string, more?: object) => (
    <Labelled id={name} label={label} hint={hint ?? ''} fault={errors[name]?.message}>
      <input
        id={name}
        className={inputLook}
        {...more}
        {...register(name)}
        {...describedBy(name, hint, errors[name]?.message)}
      />
    </Labelled>
  );
  const choice = (name: keyof Typed, label: string, options: ReactNode) => (
    <Labelled id={name} label={label} fault={errors[name]?.message}>
      <select id={name} className={inputLook} {...register(name)}>
        {options}
      </select>
    </Labelled>
  );
  const tick = (name: 'document' | 'wording' | 'colleagues', label: string) => (
    <label className="flex min-h-8 items-center gap-2">
      <input type="checkbox" className="size-5" {...register(name)} />
      {label}
    </label>
  );
  return (
    <form
      noValidate
      className="flex max-w-2xl min-w-0 flex-col gap-4"
      onSubmit={(event) => void handleSubmit((typed) => keep.mutate(typed))(event)}
    >
      {input('title', say('links.title'), say('links.title-hint'))}
      <div className="grid grid-cols-2 gap-4">
        {choice(
          'who',
          say('links.who'),
          <>
            <option value="ALL">{say('links.who-all')}</option>
            <option value="WORD">{say('links.who-word')}</option>
            <option value="ONCE">{say('links.who-once')}</option>
          </>,
        )}
        {who === 'WORD' &&
          input(
            'word',
            say('links.word'),
            link?.word ? say('links.word-known') : say('links.word-hint'),
            { autoComplete: 'off' },
          )}
        {who !== 'ONCE' && input('most', say('links.most'), '', { inputMode: 'numeric' })}
        <Labelled id="closes" label={say('links.last-day')}>
          <DateInput
            id="closes"
            value={closes}
            onChange={(day) => setValue('closes', day, { shouldDirty: true })}
            language="en-GB"
            described={describedBy('closes')}
          />
        </Labelled>
      </div>
      <fieldset className="flex flex-col gap-4 border-t border-rule pt-3">
        <legend className="pr-3 font-serif text-lg">{say('links.asker')}</legend>
        <div className="grid grid-cols-2 gap-4">
          {choice(
            'askerName',
            say('links.asker-name'),
            <>
              <option value="">{say('links.asked-besides')}</option>
              {names.map((one) => (
                <option key={one.name} value={one.name}>
                  {one.label}
                </option>
              ))}
            </>,
          )}
          {choice(
            'askerMail',
            say('links.asker-mail'),
            <>
              <option value="">{say('links.asked-besides')}</option>
              {mails.map((one) => (
                <option key={one.name} value={one.name}>
                  {one.label}
                </option>
              ))}
            </>,
          )}
        </div>
        {choice(
          'then',
          say('links.then'),
          <>
            <option value="THANKS">{say('links.then-thanks')}</option>
            <option value="SIGN">{say('links.then-sign')}</option>
          </>,
        )}
        <Labelled id="thanks" label={say('links.thanks')} hint={say('links.thanks-hint')}>
          <textarea id="thanks" rows={3} className={inputLook} {...register('thanks')} />
        </Labelled>
        {tick('wording', say('links.wording'))}
        {tick('document', say('links.document'))}
      </fieldset>
      <fieldset className="flex flex-col gap-4 border-t border-rule pt-3">
        <legend className="pr-3 font-serif text-lg">{say('links.office')}</legend>
        {tick('colleagues', say('links.colleagues'))}
        {input('officeMail', say('links.office-mail'), say('links.office-mail-hint'))}
        <Labelled
          id="frames"
          label={say('links.frames')}
          hint={say('links.frames-hint')}
          fault={errors.frames?.message}
        >
          <textarea
            id="frames"
            rows={2}
            className={inputLook}
            {...register('frames')}
            {...describedBy('frames', 'hint', errors.frames?.message)}
          />
        </Labelled>
      </fieldset>
      <Trouble error={keep.error} />
      <div className="flex items-center gap-3">
        <Button type="submit" look="main" disabled={keep.isPending}>
          {act}
        </Button>
        {keep.isSuccess && !formState.isDirty && (
          <span role="status" className="text-moss">
            {say('links.saved')}
          </span>
        )}
      </div>
    </form>
  );
}

function typedOf(form: Schemas['Form'], link: Row | undefined): Typed {
  const terms = link?.terms;
  const mail = form.fields.find(({ type, required }) => type === 'MAIL_ADDRESS' && required);
  return {
    title: link?.title ?? form.name,
    who: link?.word ? 'WORD' : link?.most === 1 ? 'ONCE' : 'ALL',
    word: '',
    closes: link?.closesAt ? dayOf(lastMoment(link.closesAt)) : '',
    most: link?.most && link.most > 1 ? String(link.most) : '',
    frames: terms?.frames.join('\n') ?? '',
    thanks: terms?.thanks ?? '',
    then: terms?.then ?? 'THANKS',
    document: terms?.document ?? true,
    wording: terms?.wording ?? true,
    askerName: terms?.askerName ?? '',
    askerMail: terms ? terms.askerMail : (mail?.name ?? ''),
    officeMail: terms?.officeMail ?? '',
    colleagues: link?.colleagues ?? false,
  };
}

/** What is sent of what was typed: the day that is named is the last one on which it can be filled. */
export function settingsOf(typed: Typed, template: string, link?: Pick<Row, 'word'>): Settings {
  const most = typed.who === 'ONCE' ? 1 : typed.most.trim() ? Number(typed.most) : null;
  const keptWord = typed.who === 'WORD' && !typed.word.trim() && link?.word;
  return {
    template,
    title: typed.title,
    word: keptWord ? null : typed.who === 'WORD' ? typed.word : '',
    closesAt: /^\d{4}-\d\d-\d\d$/.test(typed.closes) ? dayAfter(typed.closes).toISOString() : null,
    most,
    colleagues: typed.colleagues,
    terms: {
      frames: typed.frames
        .split(/\s+/)
        .map((one) => one.trim())
        .filter(Boolean),
      thanks: typed.thanks,
      then: typed.then,
      document: typed.document,
      wording: typed.wording,
      askerName: typed.askerName,
      askerMail: typed.askerMail,
      officeMail: typed.officeMail,
    },
  };
}

function dayAfter(day: string): Date {
  const next = new Date(`${day}T00:00:00`);
  next.setDate(next.getDate() + 1);
  return next;
}

function dayOf(moment: string): string {
  const day = new Date(moment);
  const two = (number: number) => String(number).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}
