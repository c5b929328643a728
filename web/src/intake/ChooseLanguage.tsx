import { languageName } from '../ui/languages';

/** In which of its languages a form is shown, each called as it calls itself. */
export function ChooseLanguage({
  label,
  hidden = false,
  languages,
  language,
  disabled = false,
  onChoose,
}: {
  label: string;
  /** Whether the label is for those only who don't see the page. */
  hidden?: boolean;
  languages: string[];
  language: string;
  disabled?: boolean;
  onChoose: (language: string) => void;
}) {
  if (languages.length < 2) return null;
  return (
    <label className="flex items-center gap-2">
      <span className={hidden ? 'sr-only' : ''}>{label}</span>
      <select
        className="min-h-8 [.participant_&]:min-h-11 rounded-sm border border-edge bg-sheet px-2"
        value={language}
        disabled={disabled}
        onChange={(event) => onChoose(event.target.value)}
      >
        {languages.map((one) => (
          <option key={one} value={one}>
            {languageName(one)}
          </option>
        ))}
      </select>
    </label>
  );
}
