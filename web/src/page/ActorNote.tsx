import { Ordinal } from './weave';

/** How a signing field is noted: the party's sign, what it is called, and what it does there. */
export function ActorNote({
  ordinal,
  label,
  called,
}: {
  ordinal: number;
  label: string;
  called: string;
}) {
  return (
    <>
      <Ordinal ordinal={ordinal} />
      <span className="line-clamp-2 min-w-0">
        {label} <span className="text-soft">{called}</span>
      </span>
    </>
  );
}
