import { say } from '../messages/rooms';
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { inputLook } from '../ui/parts';

export type Goal = { to: string; name: string; what: string };

/** `Ctrl+K` finds anything and goes there: rooms, templates, agreements. */
export function Finder({ rooms, templates }: { rooms: Goal[]; templates: boolean }) {
  const [open, setOpen] = useState(false);
  const [find, setFind] = useState('');
  const navigate = useNavigate();
  useEffect(() => {
    function press(event: KeyboardEvent) {
      if (event.key.toLowerCase() !== 'k' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      setFind('');
      setOpen(true);
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  const found = useQuery({
    queryKey: ['find', find, templates],
    enabled: open && find.trim().length > 1,
    placeholderData: keepPreviousData,
    queryFn: () => lookUp(find, templates),
  });
  const words = find.trim().toLowerCase();
  const goals = [
    ...rooms.filter((room) => room.name.toLowerCase().includes(words)),
    ...(words.length > 1 ? (found.data ?? []) : []),
  ];
  return (
    <Dialog open={open} onClose={() => setOpen(false)}>
      <div className="fixed inset-0 overflow-y-auto bg-[#1d2726]/60 p-6 pt-24">
        <DialogPanel className="mx-auto max-w-xl border border-rule bg-sheet p-4">
          <DialogTitle className="pb-2 text-lg">{say('office.find-and-go')}</DialogTitle>
          <Combobox<Goal | null>
            value={null}
            onChange={(goal) => {
              if (!goal) return;
              setOpen(false);
              void navigate(goal.to);
            }}
          >
            <ComboboxInput
              autoFocus
              aria-label={say('office.a-room-a-template-an')}
              className={inputLook}
              value={find}
              onChange={(event) => setFind(event.target.value)}
            />
            <ComboboxOptions static className="mt-2">
              {goals.map((goal) => (
                <ComboboxOption
                  key={goal.to}
                  value={goal}
                  className="flex min-h-8 cursor-pointer items-center gap-3 px-2 data-focus:bg-slatted"
                >
                  <span className="truncate">{goal.name}</span>
                  <span className="ml-auto whitespace-nowrap text-soft">{goal.what}</span>
                </ComboboxOption>
              ))}
            </ComboboxOptions>
          </Combobox>
          {goals.length === 0 && (
            <p className="p-2 text-soft">{say('office.nothing-has-these-words')}</p>
          )}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

async function lookUp(find: string, withTemplates: boolean): Promise<Goal[]> {
  const agreements = await answer(api.GET('/api/v1/agreements', { params: { query: { find } } }));
  const templates = withTemplates
    ? (await answer(api.GET('/api/v1/templates', { params: { query: { find } } }))).items
    : [];
  return [
    ...templates.slice(0, 5).map((one) => ({
      to: `/templates/${one.id}`,
      name: one.name,
      what: say('office.template'),
    })),
    ...agreements.items.slice(0, 8).map((one) => ({
      to: one.state === 'COMPLETED' ? `/archive/${one.number}` : `/agreements/${one.number}`,
      name: one.title,
      what: one.number,
    })),
  ];
}
