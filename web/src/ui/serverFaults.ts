import { useEffect } from 'react';
import type { FieldValues, Path, UseFormSetError } from 'react-hook-form';
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
