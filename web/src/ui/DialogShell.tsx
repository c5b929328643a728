import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';

const widths = {
  narrow: 'max-w-sm',
  usual: 'max-w-md',
  wide: 'max-w-2xl',
};

/** A dialog over the page: its title, its frame, closed by Escape or beside it, the focus kept inside and given back. */
export function DialogShell({
  open,
  title,
  width = 'usual',
  onClose,
  children,
}: {
  open: boolean;
  title: string;
  width?: keyof typeof widths;
  /** Left out for one that has to be answered. */
  onClose?: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog open={open} onClose={onClose ?? (() => undefined)} className="relative z-40">
      <div className="fixed inset-0 bg-[#1d2726]/60" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center overflow-y-auto p-4">
        <DialogPanel
          className={`max-h-full w-full overflow-auto border border-rule bg-sheet p-5 ${widths[width]}`}
        >
          <DialogTitle className="pb-2 text-xl">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
