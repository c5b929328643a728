import { createContext, useContext } from 'react';

/** A form's texts in the language in which it is shown, by the texts of its template. */
export const FormWords = createContext<Record<string, string>>({});

/** Says a text of the form in the language in which it is shown; one that isn't there as the template has it. */
export function useFormWords(): (text: string) => string {
  const words = useContext(FormWords);
  return (text) => words[text] || text;
}
