import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api } from '../../../api/client';
import { DatumInput } from '../../../intake/FieldInput';
import { FormFixed, FormLanguage, typed } from '../../../intake/typing';
import { say } from '../../../messages/rooms';
import { Trouble } from '../../../ui/parts';
import type { Field } from '../bench';

const PAUSE = 300;

/** What a new form begins with: typed as in the form, kept once the server has read it. */
export function FieldDefault({
  field,
  language,
  fixed = false,
  onChange,
}: {
  field: Field;
  language: string;
  /** Whether it can only be read. */
  fixed?: boolean;
  onChange: (initial: string) => void;
}) {
  const [shown, setShown] = useState({
    initial: field.initial,
    text: typed(field, field.initial, language),
  });
  // what was taken back or changed elsewhere is shown; what is being typed stays
  if (shown.initial !== field.initial) {
    setShown({ initial: field.initial, text: typed(field, field.initial, language) });
  }
  const latest = useRef(shown.text);
  const read = useMutation({
    mutationFn: async (text: string) => {
      if (!text) return { initial: '', fault: undefined };
      const { values, faults } = await answer(
        api.POST('/api/v1/forms/reading', {
          body: {
            fields: [{ ...field, required: false }],
            values: { [field.name]: text },
            language,
          },
        }),
      );
      return { initial: values[field.name] ?? '', fault: faults[field.name] };
    },
    onSuccess: ({ initial, fault }, text) => {
      if (text !== latest.current || fault) return;
      setShown({ initial, text });
      onChange(initial);
    },
  });
  const { mutate } = read;
  const timer = useRef<number>(undefined);
  useEffect(() => () => window.clearTimeout(timer.current), []);
  return (
    <FormFixed.Provider value={fixed}>
      <FormLanguage.Provider value={language}>
        <DatumInput
          id={`initial-${field.name}`}
          field={{
            ...field,
            label: say('templates.a-new-form-begins-with'),
            hint: '',
            required: true,
          }}
          value={shown.text}
          fault={read.variables === shown.text ? read.data?.fault : undefined}
          onChange={(text) => {
            latest.current = text;
            setShown((now) => ({ ...now, text }));
            window.clearTimeout(timer.current);
            timer.current = window.setTimeout(() => mutate(text), PAUSE);
          }}
        />
        <Trouble error={read.error} />
      </FormLanguage.Provider>
    </FormFixed.Provider>
  );
}
