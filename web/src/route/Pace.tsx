import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';

/** How long everybody takes, as a calendar is to take it. */
export function Pace({ pace, onPace }: { pace: number; onPace: (pace: number) => void }) {
  return (
    <label className="flex min-w-0 flex-col gap-0.5">
      <span className="text-soft">{say('route.everybody-takes')}</span>
      <select
        className={inputLook}
        value={pace}
        onChange={(event) => onPace(Number(event.target.value))}
      >
        <option value={0}>{say('route.nobody-answers')}</option>
        {[1, 2, 3, 5, 7, 14].map((days) => (
          <option key={days} value={days}>
            {say('route.days', { days })}
          </option>
        ))}
      </select>
    </label>
  );
}
