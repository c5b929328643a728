import type { ReactNode } from 'react';

/** The office whose form it is, over the page. */
export function Frame({ office, children }: { office: string; children: ReactNode }) {
  return (
    <>
      {office && (
        <header className="bg-bottle text-onbottle">
          <div className="mx-auto max-w-3xl px-4 py-3">
            <span className="font-serif text-lg">{office}</span>
          </div>
        </header>
      )}
      <main className="mx-auto max-w-3xl px-4 py-5">{children}</main>
    </>
  );
}
