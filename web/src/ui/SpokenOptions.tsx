import { say } from '../messages/rooms';

/** The languages in which people are spoken to, as options of a choice. */
export function SpokenOptions({ none }: { none: string }) {
  return (
    <>
      <option value="">{none}</option>
      <option value="en">{say('templates.english')}</option>
      <option value="de">{say('templates.german')}</option>
      <option value="fr">{say('templates.french')}</option>
      <option value="nl">{say('templates.dutch')}</option>
    </>
  );
}
