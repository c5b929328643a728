import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';

export type RowOption = Schemas['RowOption'];

/** A row of a register, chosen by typing beginnings of its words or its key. */
export function RowChoice({
  register,
  label,
  shown = '',
  autoFocus = false,
  onChoose,
  onLeave,
}: {
  /** The register's name. */
  register: string;
  /** What is chosen, for assistive technology and as a placeholder. */
  label: string;
  /** What the row that is chosen now is called. */
  shown?: string;
  autoFocus?: boolean;
  onChoose: (row: RowOption) => void;
  onLeave?: () => void;
}) {
  const [find, setFind] = useState('');
  const [asked, setAsked] = useState(false);
  const rows = useQuery({
    queryKey: ['register-options', register, find],
    enabled: asked,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(
        api.GET('/api/v1/registers/{register}/options', {
          params: { path: { register }, query: { find } },
        }),
      ),
  });
  const found = rows.data ?? [];
  return (
    <Combobox<RowOption | null>
      immediate
      value={null}
      onChange={(row) => {
        if (row) onChoose(row);
      }}
      onClose={() => setFind('')}
    >
      <div className="relative min-w-0">
        <ComboboxInput
          aria-label={label}
          placeholder={shown || label}
          autoFocus={autoFocus}
          autoComplete="off"
          className={`${inputLook} pr-9 placeholder:text-soft`}
          displayValue={() => ''}
          onFocus={() => setAsked(true)}
          onBlur={onLeave}
          onChange={(event) => setFind(event.target.value)}
        />
        <ComboboxButton
          aria-label={say('registers.show-rows')}
          className="absolute inset-y-0 right-0 w-9 text-soft"
          onClick={() => setAsked(true)}
        >
          ▾
        </ComboboxButton>
      </div>
      <ComboboxOptions
        anchor={{ to: 'bottom', gap: 2 }}
        className="z-50 max-h-80 w-(--input-width) min-w-72 overflow-y-auto border border-edge bg-sheet empty:invisible"
      >
        {found.map((row) => (
          <ComboboxOption
            key={row.id}
            value={row}
            className="flex min-h-9 cursor-pointer items-center gap-3 px-2 data-focus:bg-slatted"
          >
            <span className="min-w-0 truncate">{row.label}</span>
            <span className="ml-auto text-sm whitespace-nowrap text-soft">{row.detail}</span>
          </ComboboxOption>
        ))}
        {rows.isSuccess && !rows.isPlaceholderData && !found.length && (
          <p role="status" className="px-2 py-1.5 text-soft">
            {find ? say('registers.no-row-begins-so') : say('registers.no-rows-yet')}
          </p>
        )}
      </ComboboxOptions>
    </Combobox>
  );
}
