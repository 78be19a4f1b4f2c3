import { AIMS, type Aim, type FoundSet, type Weights } from '@zubric/core/search';
import { useUnits } from '../common/units.tsx';
import { AIM_WORDS, figureAt, placeOf, sayAim, STEPS, valueOf, type Ends, type Narrowed } from './aims.ts';

/** How much an aim may count. */
const COUNTS = ['not at all', 'little', 'as the others', 'much', 'most'] as const;
const EVEN = 2;

interface Props {
  readonly sets: readonly FoundSet[];
  readonly shown: ReadonlySet<FoundSet>;
  readonly ends: Readonly<Record<Aim, Ends>>;
  readonly narrowed: Narrowed;
  readonly onNarrow: (narrowed: Narrowed) => void;
  readonly weights: Weights;
  readonly onWeigh: (weights: Weights) => void;
}

/** Every set on the scale of each aim: drawn narrower from both ends, and weighed. */
export function Aims(props: Props) {
  return (
    <div className="sheet grid px-3 py-2" role="group" aria-label="What counts">
      <div className="hidden grid-cols-[8rem_1fr_11rem] gap-3 text-[14px] text-soft sm:grid">
        <span />
        <span>each mark is a set: draw the ends in to leave some out</span>
        <span>counts</span>
      </div>
      {AIMS.map((aim) => (
        <AimRow key={aim} aim={aim} {...props} />
      ))}
    </div>
  );
}

function AimRow({
  aim,
  sets,
  shown,
  ends,
  narrowed,
  onNarrow,
  weights,
  onWeigh,
}: Props & { readonly aim: Aim }) {
  const { system } = useUnits();
  const { title, against, better } = AIM_WORDS[aim];
  const [from, to] = narrowed[aim] ?? [0, STEPS];
  const say = (step: number): string => sayAim(aim, figureAt(step / STEPS, ends[aim]), system);
  const narrow = (next: readonly [number, number]): void => onNarrow({ ...narrowed, [aim]: next });
  const weight = Math.round(weights[aim] * EVEN);
  return (
    <div className="grid grid-cols-1 items-center gap-x-3 border-t border-line py-1 first:border-t-0 sm:grid-cols-[7rem_1fr_10.5rem]">
      <b className="leading-tight font-semibold">
        {title}
        {against !== undefined && <span className="block text-[14px] font-normal text-soft">{against}</span>}
        <span className="sr-only">, {better}</span>
      </b>
      <div className="grid grid-cols-[4.5rem_1fr_4.5rem] items-center gap-2 text-[14px] tabular-nums">
        <span className="text-right">{say(from)}</span>
        <div className="two-ends relative h-8">
          <svg className="absolute inset-0 h-full w-full" aria-hidden="true">
            <line x1="0" x2="100%" y1="50%" y2="50%" className="stroke-line" />
            {sets.map((set, at) => (
              <rect
                key={at}
                x={`calc(${(8 + 0.84 * 100 * placeOf(valueOf(set, aim), ends[aim])).toFixed(2)}% - 1px)`}
                y="20%"
                width="2"
                height="60%"
                className={shown.has(set) ? 'fill-mech' : 'fill-line'}
              />
            ))}
          </svg>
          <input
            type="range"
            min={0}
            max={STEPS}
            value={from}
            aria-label={`${title} from`}
            aria-valuetext={say(from)}
            onChange={(event) => narrow([Math.min(event.target.valueAsNumber, to), to])}
          />
          <input
            type="range"
            min={0}
            max={STEPS}
            value={to}
            aria-label={`${title} to`}
            aria-valuetext={say(to)}
            onChange={(event) => narrow([from, Math.max(event.target.valueAsNumber, from)])}
          />
        </div>
        <span>{say(to)}</span>
      </div>
      <label className="flex items-center gap-2 text-[14px]">
        <span className="sr-only">{title} counts</span>
        <input
          type="range"
          className="w-20"
          min={0}
          max={COUNTS.length - 1}
          value={weight}
          aria-valuetext={COUNTS[weight] ?? ''}
          onChange={(event) => onWeigh({ ...weights, [aim]: event.target.valueAsNumber / EVEN })}
        />
        <span aria-hidden="true">{COUNTS[weight]}</span>
      </label>
    </div>
  );
}
