import { useMutation } from '@tanstack/react-query';
import type { ChangeEvent } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { ChooseForms } from '../../programs/ChooseForms';
import { handedIn, useServerFaults } from '../../ui/serverFaults';
import { useAllTemplates } from '../../templates/useAllTemplates';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../../ui/parts';

type Terms = Schemas['FilingTerms'];
type Typed = Terms & { password: string };

export const usualTerms: Terms = {
  title: '',
  kind: 'FOLDER',
  address: '',
  user: '',
  templates: [],
  usual: {
    folder: '{{template_name}}/{{completed_on.year}}',
    name: '{{agreement_number}} {{agreement_title}}',
  },
  rules: [],
  record: true,
  region: 'us-east-1',
};

/** What each kind of place is asked for; a folder needs nobody's name. */
const asks = {
  FOLDER: undefined,
  WEBDAV: {
    address: say('filing.which-address'),
    addressHint: say('filing.address-hint'),
    user: say('filing.user'),
    password: say('filing.password'),
  },
  BUCKET: {
    address: say('filing.which-bucket'),
    addressHint: say('filing.bucket-hint'),
    user: say('filing.key'),
    password: say('filing.secret'),
  },
};

/** Where completed agreements are filed, and by what rule; shown on some of them before it is kept. */
export function FilingForm({
  terms,
  folders,
  hasPassword = false,
  act,
  save,
  onSaved,
  onLeave,
}: {
  terms: Terms;
  /** Folders of the server's machine that may be filed to. */
  folders: string[];
  hasPassword?: boolean;
  act: string;
  /** @param password null for the one that is kept */
  save: (terms: Terms, password: string | null) => Promise<unknown>;
  onSaved: () => void;
  onLeave: () => void;
}) {
  const {
    register,
    control,
    handleSubmit,
    watch,
    getValues,
    setValue,
    setError,
    clearErrors,
    formState,
  } = useForm<Typed>({ defaultValues: { ...terms, password: '' } });
  const rules = useFieldArray({ control, name: 'rules' });
  const usable = (useAllTemplates().data ?? []).filter((one) => one.publishedVersion > 0);
  const { errors } = formState;
  const of = ({
    title,
    kind,
    address,
    user,
    templates,
    usual,
    rules,
    record,
    region,
  }: Typed): Terms => ({
    title,
    kind,
    address,
    user: asks[kind] ? user : '',
    templates,
    usual,
    rules,
    record,
    region,
  });
  const keep = useMutation({
    mutationFn: (typed: Typed) => {
      return save(of(typed), hasPassword && !typed.password ? null : typed.password);
    },
    onSuccess: onSaved,
  });
  const preview = useMutation({
    mutationFn: () => {
      return answer(api.POST('/api/v1/archive/filing/preview', { body: of(getValues()) }));
    },
  });
  useServerFaults(keep.error ?? preview.error, setError);
  const [kind, chosen] = watch(['kind', 'templates']);
  const asked = asks[kind];
  const input = (
    name: 'title' | 'address' | 'user' | 'region' | 'usual.folder' | 'usual.name',
    label: string,
    hint: string,
  ) => {
    const fault = name
      .split('.')
      .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], errors) as
      { message?: string } | undefined;
    return (
      <Labelled id={name} label={label} hint={hint} fault={fault?.message}>
        <input
          id={name}
          className={inputLook}
          {...register(name)}
          {...describedBy(name, hint, fault?.message)}
        />
      </Labelled>
    );
  };
  return (
    <form
      noValidate
      aria-label={say('filing.place')}
      className="flex max-w-2xl flex-col gap-4"
      onSubmit={handedIn({ clearErrors, handleSubmit }, (typed) => keep.mutate(typed))}
    >
      {input('title', say('filing.name'), '')}
      <Labelled id="kind" label={say('filing.kind')}>
        <select
          id="kind"
          className={inputLook}
          {...register('kind', {
            // an address of one kind is none of another
            onChange: (event: ChangeEvent<HTMLSelectElement>) =>
              setValue('address', event.target.value === terms.kind ? terms.address : ''),
          })}
        >
          <option value="FOLDER">{say('filing.folder')}</option>
          <option value="WEBDAV">{say('filing.webdav')}</option>
          <option value="BUCKET">{say('filing.bucket')}</option>
        </select>
      </Labelled>
      {asked
        ? input('address', asked.address, asked.addressHint)
        : input(
            'address',
            say('filing.which-folder'),
            folders.length
              ? say('filing.folders-hint', { folders: folders.join(', ') })
              : say('filing.no-folders-hint'),
          )}
      {kind === 'BUCKET' && input('region', say('filing.region'), say('filing.region-hint'))}
      {asked && input('user', asked.user, '')}
      {asked && (
        <Labelled
          id="password"
          label={asked.password}
          hint={hasPassword ? say('filing.password-kept') : ''}
        >
          <input
            id="password"
            type="password"
            autoComplete="new-password"
            className={inputLook}
            {...register('password')}
          />
        </Labelled>
      )}
      <ChooseForms
        hint={say('filing.templates-hint')}
        chosen={chosen}
        fault={errors.templates?.message}
        onChange={(next) => setValue('templates', next)}
      />
      {input('usual.folder', say('filing.rule-folder'), say('filing.rule-folder-hint'))}
      {input('usual.name', say('filing.rule-name'), say('filing.rule-name-hint'))}
      {rules.fields.map((rule, at) => {
        const name = usable.find(({ id }) => id === watch(`rules.${at}.template`))?.name ?? '';
        const fault = errors.rules?.[at]?.rule ?? errors.rules?.[at];
        const said =
          (fault as { folder?: { message?: string } } | undefined)?.folder?.message ??
          (fault as { name?: { message?: string } } | undefined)?.name?.message;
        return (
          <fieldset
            key={rule.id}
            className="flex min-w-0 flex-col gap-2 border-l-2 border-rule pl-3"
          >
            <legend className="pb-1 font-medium">{say('filing.rule-of', { name })}</legend>
            <label className="flex flex-col gap-1">
              {say('filing.rule-folder')}
              <input className={inputLook} {...register(`rules.${at}.rule.folder`)} />
            </label>
            <label className="flex flex-col gap-1">
              {say('filing.rule-name')}
              <input className={inputLook} {...register(`rules.${at}.rule.name`)} />
            </label>
            {said && <p className="text-oxide">{said}</p>}
            <Button className="self-start" onClick={() => rules.remove(at)}>
              {say('filing.take-rule-out')}
            </Button>
          </fieldset>
        );
      })}
      <select
        aria-label={say('filing.another-rule')}
        className={`${inputLook} max-w-96`}
        value=""
        onChange={(event) =>
          event.target.value &&
          rules.append({ template: event.target.value, rule: getValues('usual') })
        }
      >
        <option value="">{say('filing.another-rule')}</option>
        {usable
          .filter(({ id }) => !watch('rules').some((one) => one.template === id))
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </select>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-5" {...register('record')} />
        {say('filing.with-record')}
      </label>
      {preview.data && (
        <ul aria-label={say('filing.preview')} className="flex flex-col gap-1 bg-sheet p-3">
          {preview.data.length === 0 && <li>{say('filing.nothing-to-show')}</li>}
          {preview.data.map((row) => (
            <li key={row.number}>
              <span className="text-soft">{row.number}</span>
              {row.paths.map((path) => (
                <span key={path} className="block pl-4 font-mono text-sm wrap-anywhere">
                  {path}
                </span>
              ))}
            </li>
          ))}
        </ul>
      )}
      <Trouble error={keep.error ?? preview.error} />
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="main" disabled={keep.isPending}>
          {act}
        </Button>
        <Button disabled={preview.isPending} onClick={() => preview.mutate()}>
          {say('filing.show-where')}
        </Button>
        <Button onClick={onLeave}>{say('archive.leave-as-it-is')}</Button>
      </div>
    </form>
  );
}
