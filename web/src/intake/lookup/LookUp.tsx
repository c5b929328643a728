import { useMutation } from '@tanstack/react-query';
import { useContext } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { useRegister, useRow } from '../../registers/registers';
import { RowChoice } from '../../registers/RowChoice';
import { Trouble } from '../../ui/parts';
import type { Answers, Field } from '../inputProps';
import { FormFixed, FormLanguage } from '../typing';
import { Taking, withItem, withTaken, type Take } from './taking';

/** For a form's questions. */
export const lookUp = (field: Field, { register }: Schemas['FormQuestion']) => (
  <LookUp field={field} register={register} />
);

/** Answers a question from a register: the row that is chosen fills it, and what else the form takes from it. */
function LookUp({ field, register }: { field: Field; register: string }) {
  const take = useContext(Taking);
  const fixed = useContext(FormFixed);
  if (!take || !register || fixed) return null;
  return <Choice field={field} register={register} take={take} />;
}

function Choice({ field, register, take }: { field: Field; register: string; take: Take }) {
  const language = useContext(FormLanguage);
  const { getValues, setValue, clearErrors, control } = useFormContext<Answers>();
  const taken = useWatch({ control, name: 'taken' }) ?? [];
  const list = field.type === 'ITEMS';
  const known = useRegister(register);
  const fill = useMutation({
    mutationFn: (row: string) => take(field.name, row, language),
    onSuccess: (row) => {
      const change = { shouldDirty: true, shouldTouch: true };
      const values = list
        ? { [field.name]: withItem(getValues(`values.${field.name}`) ?? '', row.answers) }
        : row.answers;
      for (const [name, value] of Object.entries(values)) {
        setValue(`values.${name}`, value, change);
        clearErrors(`values.${name}`);
      }
      setValue('taken', withTaken(getValues('taken') ?? [], field.name, row, list), change);
    },
  });
  const title = known.data?.terms.title ?? '';
  const here = taken.filter(({ question }) => question === field.name);
  return (
    <div className="flex flex-col gap-1 pb-2">
      <RowChoice
        register={register}
        label={
          list
            ? say('intake.add-from-register', { list: field.label, register: title })
            : say('intake.look-up-in', { field: field.label, register: title })
        }
        onChoose={(row) => fill.mutate(row.id)}
      />
      {!list &&
        here.map(({ row }) => <TakenFrom key={row} register={register} row={row} title={title} />)}
      <Trouble error={known.error ?? fill.error} />
    </div>
  );
}

/** Which row an answer was taken from. */
function TakenFrom({ register, row, title }: { register: string; row: string; title: string }) {
  const found = useRow(register, row);
  if (!found.data) return null;
  return (
    <p className="text-soft" role="status">
      {say('intake.taken-from', { register: title })}{' '}
      <Link
        to={`/registers/${register}/rows/${row}`}
        target="_blank"
        className="underline underline-offset-3"
      >
        {found.data.row.label}
      </Link>
    </p>
  );
}
