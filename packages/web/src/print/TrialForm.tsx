import {
  protocolOf,
  readingFields,
  usualConditions,
  type Field,
  type ProtocolName,
} from '@zubric/core/protocols';
import type { Build } from '@zubric/core/vehicle';
import { useUnits } from '../common/units.tsx';

/** More rows than a page holds are no help. */
const MOST_ROWS = 20;

/** A form to fill in by hand, and a target or a circle to scale where the trial reads off one. */
export function TrialForm({ build, protocol }: { readonly build: Build; readonly protocol: ProtocolName }) {
  const { title, why, aids, cautions, next, runs } = protocolOf(protocol);
  const fields = readingFields(protocol, usualConditions(protocol, build));
  const rows = Math.min(MOST_ROWS, Math.max(runs, 5));
  return (
    <>
      <h1 className="break-words">
        {build.name}: {title.toLowerCase()}
      </h1>
      <p>{why}</p>
      <ul className="mt-2 list-disc pl-5">
        {aids.map((aid) => (
          <li key={aid}>{aid}</li>
        ))}
        {cautions.map((caution) => (
          <li key={caution}>
            <b>{caution}</b>
          </li>
        ))}
      </ul>
      <p className="mt-3 flex flex-wrap gap-x-8 gap-y-3">
        {['Date', 'Floor', 'Battery before, V', 'Battery after, V', 'By'].map((blank) => (
          <span key={blank}>{blank} ______________</span>
        ))}
      </p>
      <table className="grid-table relative mt-3 max-md:block max-md:overflow-x-auto">
        <thead>
          <tr>
            <th scope="col">Run</th>
            {fields.map((field) => (
              <Head key={field.key} field={field} />
            ))}
            <th scope="col">Note</th>
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: rows }, (_, n) => (
            <tr key={n} className="break-inside-avoid">
              <th scope="row">{n + 1}</th>
              {fields.map(({ key }) => (
                <td key={key} className="h-9 border-l border-line" />
              ))}
              <td className="h-9 border-l border-line" />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2">Then: {next}</p>
      {(protocol === 'straight-run' || protocol === 'wheel-matching') && <Target />}
      {protocol === 'pivots' && <Circle />}
    </>
  );
}

function Head({ field }: { readonly field: Field }) {
  const { system } = useUnits();
  const unit = field.kind === 'quantity' ? (system === 'imperial' ? field.imperialUnit : field.unit) : '';
  const words = field.kind === 'choice' ? Object.values(field.options).slice(0, 4).join(' / ') : '';
  return (
    <th scope="col">
      {field.title}
      {unit === '' ? '' : `, ${unit}`}
      {field.kind === 'quantity' && field.sides ? ` (${field.sides[0]} −)` : ''}
      {words === '' ? '' : ` (${words})`}
    </th>
  );
}

/** Millimetres to each side of the line. */
const REACH = 80;
const HEIGHT = 40;

/** A target to lay on the floor at the end of the way: to scale, in millimetres from the line. */
const Target = () => (
  <figure className="mt-5 break-inside-avoid">
    <svg
      width={`${2 * REACH + 10}mm`}
      height={`${HEIGHT}mm`}
      viewBox={`${-REACH - 5} 0 ${2 * REACH + 10} ${HEIGHT}`}
      className="max-w-full"
      role="img"
      aria-label="A target to scale: millimetres to the left and right of the line"
    >
      <path d={`M0 0V${HEIGHT}`} stroke="black" strokeWidth="0.6" />
      <path d={`M${-REACH} 20H${REACH}`} stroke="black" strokeWidth="0.3" />
      {Array.from({ length: (2 * REACH) / 5 + 1 }, (_, n) => n * 5 - REACH).map((mm) => (
        <g key={mm}>
          <path d={`M${mm} 20v${mm % 10 === 0 ? 6 : 3}`} stroke="black" strokeWidth="0.3" />
          {mm % 20 === 0 && mm !== 0 && (
            <text x={mm} y="32" fontSize="5" textAnchor="middle">
              {Math.abs(mm)}
            </text>
          )}
        </g>
      ))}
      <text x={-REACH} y="10" fontSize="5">
        left −
      </text>
      <text x={REACH} y="10" fontSize="5" textAnchor="end">
        right +
      </text>
    </svg>
    <figcaption className="text-[14px]">
      To lay at the end of the way, its long line on the string. Printed at 100 %: measure 160 mm from end to
      end before you trust it. A second one as the start mark.
    </figcaption>
  </figure>
);

const RADIUS = 70;

/** A circle with degrees, for the middle of the driven axle. */
const Circle = () => (
  <figure className="mt-5 break-inside-avoid">
    <svg
      width={`${2 * RADIUS + 20}mm`}
      height={`${2 * RADIUS + 20}mm`}
      viewBox={`${-RADIUS - 10} ${-RADIUS - 10} ${2 * RADIUS + 20} ${2 * RADIUS + 20}`}
      className="max-w-full"
      role="img"
      aria-label="A circle with degrees"
    >
      <circle r={RADIUS} fill="none" stroke="black" strokeWidth="0.4" />
      <path d={`M0 ${-RADIUS}V${RADIUS}M${-RADIUS} 0H${RADIUS}`} stroke="black" strokeWidth="0.2" />
      {Array.from({ length: 72 }, (_, n) => n * 5).map((deg) => (
        <g key={deg} transform={`rotate(${deg})`}>
          <path d={`M0 ${-RADIUS}v${deg % 10 === 0 ? 6 : 3}`} stroke="black" strokeWidth="0.3" />
          {deg % 30 === 0 && (
            <text y={-RADIUS - 2} fontSize="5" textAnchor="middle">
              {deg}
            </text>
          )}
        </g>
      ))}
    </svg>
    <figcaption className="text-[14px]">
      Its middle under the middle of the driven axle; a pointer on the vehicle over 0.
    </figcaption>
  </figure>
);
