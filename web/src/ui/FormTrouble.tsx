import { Problem } from '../api/client';
import { Trouble } from './parts';

/** What went wrong with a form as a whole; what is wrong with an input is said beside it. */
export function FormTrouble({ error }: { error: unknown }) {
  const beside = error instanceof Problem && Object.keys(error.faults).length > 0;
  return beside ? null : <Trouble error={error} />;
}
