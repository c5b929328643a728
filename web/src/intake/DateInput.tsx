import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState, type Ref } from 'react';
import { DayPicker } from 'react-day-picker';
import { useSay } from '../messages/useSay';
import { inputLook } from '../ui/parts';
import { dayOf, exampleDate, firstWeekday, readDate, storedDay, typedDate } from './dates';

type Props = {
  id: string;
  /** Stored; what can't be read as a date is kept as it was typed, and refused with its reason. */
  value: string;
  onChange: (value: string) => void;
  /** In which dates are written here. */
  language: string;
  inputRef?: Ref<HTMLInputElement>;
  described: Record<string, unknown>;
};

/** A date, typed as the language writes it or chosen from a calendar. */
export function DateInput({ id, value, onChange, language, inputRef, described }: Props) {
  const words = useSay();
  const [typing, setTyping] = useState<string>();
  return (
    <div className="flex max-w-72 items-center gap-2">
      <input
        id={id}
        ref={inputRef}
        className={inputLook}
        placeholder={exampleDate(language)}
        value={typing ?? typedDate(value, language)}
        onChange={({ target }) => {
          setTyping(target.value);
          onChange(readDate(target.value, language) ?? target.value.trim());
        }}
        onBlur={() => setTyping(undefined)}
        {...described}
      />
      <Popover>
        <PopoverButton className="min-h-9 rounded-sm border border-edge bg-sheet px-2">
          {words.say('form.calendar')}
        </PopoverButton>
        <PopoverPanel
          anchor="bottom"
          className="z-30 border border-edge bg-sheet p-3 text-ink shadow-page"
        >
          {({ close }) => (
            <Calendar
              chosen={dayOf(value)}
              language={language}
              onChoose={(day) => {
                onChange(storedDay(day));
                close();
              }}
            />
          )}
        </PopoverPanel>
      </Popover>
    </div>
  );
}

function Calendar({
  chosen,
  language,
  onChoose,
}: {
  chosen: Date | undefined;
  language: string;
  onChoose: (day: Date) => void;
}) {
  const words = useSay();
  const as = (options: Intl.DateTimeFormatOptions) => (day: Date) =>
    new Intl.DateTimeFormat(language, options).format(day);
  const month = as({ month: 'long', year: 'numeric' });
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      selected={chosen}
      {...(chosen ? { defaultMonth: chosen } : {})}
      weekStartsOn={firstWeekday(language)}
      showOutsideDays
      onSelect={onChoose}
      formatters={{ formatCaption: month, formatWeekdayName: as({ weekday: 'short' }) }}
      labels={{
        labelGrid: month,
        labelDayButton: as({ dateStyle: 'full' }),
        labelWeekday: as({ weekday: 'long' }),
        labelNext: () => words.say('form.month-after'),
        labelPrevious: () => words.say('form.month-before'),
      }}
      classNames={{
        root: 'relative',
        nav: 'absolute top-0 right-0 flex gap-1',
        button_previous: 'grid size-8 place-items-center hover:bg-slatted',
        button_next: 'grid size-8 place-items-center hover:bg-slatted',
        chevron: 'size-4 fill-current',
        month_caption: 'flex h-8 items-center pr-20 font-medium',
        month_grid: 'border-collapse',
        weekday: 'size-9 text-center font-normal text-soft',
        day: 'p-0 text-center',
        day_button: 'grid size-9 place-items-center rounded-sm hover:bg-slatted',
        selected: '[&>button]:bg-bottle [&>button]:text-onbottle',
        today: 'font-semibold underline',
        outside: 'text-soft',
      }}
    />
  );
}
