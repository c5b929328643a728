import { isSignedOut } from '../api/client';
import { problemWords, useSay } from '../messages/useSay';
import { useEffect, useRef, type ButtonHTMLAttributes, type ReactNode } from 'react';

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & {
  look?: 'main' | 'plain' | 'grave';
};

const looks = {
  main: 'bg-act text-onbottle border-act hover:brightness-125',
  plain: 'bg-sheet text-ink border-edge hover:border-ink',
  grave: 'bg-sheet text-oxide border-oxide hover:bg-paper',
};

export function Button({ look = 'plain', className = '', ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      data-main={look === 'main' ? '' : undefined}
      {...rest}
      className={`inline-flex min-h-8 items-center gap-2 rounded-sm border px-3 py-1 font-medium disabled:cursor-not-allowed disabled:opacity-55 ${looks[look]} ${className}`}
    />
  );
}

/** What went wrong, in place; a session that ended is told by the dialog that asks for the password. */
export function Trouble({ error }: { error: unknown }) {
  const words = useSay();
  if (!error || isSignedOut(error)) return null;
  return (
    <p role="alert" className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
      {problemWords(words, error)}
    </p>
  );
}

export function Waiting({ what }: { what: string }) {
  return (
    <p role="status" className="p-4 text-soft">
      {what}
    </p>
  );
}

/** Says what belongs in an empty room, with its first step. */
export function Empty({ children }: { children: ReactNode }) {
  return <div className="border border-dashed border-rule p-6 text-soft">{children}</div>;
}

type FieldProps = {
  id: string;
  label: string;
  hint?: string;
  fault?: string | undefined;
  required?: boolean;
  children: ReactNode;
};

/** A labelled input with its hint and fault; the input names them with {@link describedBy}. */
export function Labelled({ id, label, hint, fault, required, children }: FieldProps) {
  const words = useSay();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-medium">
        {label}
        {required === false && (
          <span className="font-normal text-soft"> {words.say('yours.may-stay-empty')}</span>
        )}
      </label>
      {hint && (
        <p id={`${id}-hint`} className="text-soft">
          {hint}
        </p>
      )}
      {children}
      {fault && (
        <p id={`${id}-fault`} className="text-oxide">
          {fault}
        </p>
      )}
    </div>
  );
}

export function describedBy(id: string, hint?: string, fault?: string) {
  const ids = [hint ? `${id}-hint` : '', fault ? `${id}-fault` : ''].filter(Boolean).join(' ');
  return { 'aria-describedby': ids || undefined, 'aria-invalid': fault ? true : undefined };
}

export const inputLook =
  'min-h-9 w-full rounded-sm border border-edge bg-sheet px-2 py-1 text-ink aria-invalid:border-oxide disabled:border-rule disabled:bg-paper';

/** Whether a room has been shown already since the page was loaded. */
let shown = false;

/** The room's title, with its acts beside it. On a change of room the focus moves here, so that it is read out. */
export function RoomTitle({ title, children }: { title: string; children?: ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    document.title = `${title} – Jalousie`;
  }, [title]);
  useEffect(() => {
    const inRoom = document.activeElement?.closest('main');
    if (shown && !inRoom) heading.current?.focus();
    shown = true;
  }, []);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-3">
      <h1 ref={heading} tabIndex={-1} className="mr-auto text-2xl outline-none">
        {title}
      </h1>
      {children}
    </div>
  );
}

/** A dense list with slats for rows. */
export function Table({
  head,
  widths,
  children,
}: {
  head: string[];
  /** Widths of the columns, so that lists under one another line up. */
  widths?: string[];
  children: ReactNode;
}) {
  return (
    <div className="overflow-x-auto">
      <table
        className={`w-full border-collapse text-left ${widths ? 'min-w-[60rem] table-fixed' : ''}`}
      >
        {widths && (
          <colgroup>
            {widths.map((width, i) => (
              <col key={i} style={{ width }} />
            ))}
          </colgroup>
        )}
        <thead>
          <tr className="border-b border-edge text-soft">
            {head.map((title, i) => (
              <th key={i} scope="col" className="h-8 px-2 font-medium whitespace-nowrap">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="[&>tr]:h-9 [&>tr:nth-child(even)]:bg-slatted [&>tr]:border-b [&>tr]:border-rule [&_td]:px-2">
          {children}
        </tbody>
      </table>
    </div>
  );
}
