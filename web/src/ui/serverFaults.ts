import { useEffect, type SyntheticEvent } from 'react';
import type {
  FieldValues,
  Path,
  SubmitHandler,
  UseFormReturn,
  UseFormSetError,
} from 'react-hook-form';
import { Problem } from '../api/client';

/** Shows what the server found wrong at the inputs that it is about. */
export function useServerFaults<T extends FieldValues>(
  error: unknown,
  setError: UseFormSetError<T>,
) {
  useEffect(() => {
    if (!(error instanceof Problem)) return;
    Object.entries(error.faults).forEach(([name, message], i) =>
      setError(name as Path<T>, { message }, { shouldFocus: i === 0 }),
    );
  }, [error, setError]);
}

/**
 * Hands a form in. What the server found wrong before is forgotten first: at an answer that no input is registered for it
 * would stay, and the form could never be handed in again.
 */
export function handedIn<T extends FieldValues>(
  form: Pick<UseFormReturn<T>, 'clearErrors' | 'handleSubmit'>,
  take: SubmitHandler<T>,
) {
  return (event: SyntheticEvent) => {
    form.clearErrors();
    void form.handleSubmit(take)(event);
  };
}
