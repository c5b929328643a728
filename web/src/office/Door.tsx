import type { ReactNode } from 'react';
import { Wordmark } from '../ui/Wordmark';

/** A page before the rooms. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="min-h-screen">
      <header className="bg-bottle px-5 py-3 text-onbottle">
        <Wordmark />
      </header>
      <main className="mx-auto mt-16 max-w-sm px-4">
        <h1 className="pb-4 text-2xl">{title}</h1>
        {children}
      </main>
    </div>
  );
}
