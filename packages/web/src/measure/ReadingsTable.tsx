import { rpmToRadS, showNumber } from '@zubric/core/quantity';
import { useSay } from '../common/units.tsx';
import type { Readings } from './use-readings.ts';

/** What was read, how far each reading is off what the constants say, and which is left out. */
export function ReadingsTable({ readings, fit, remove }: Pick<Readings, 'readings' | 'fit' | 'remove'>) {
  const say = useSay();
  return (
    <div className="sheet overflow-x-auto">
      <table className="grid-table">
        <caption className="sr-only">Readings</caption>
        <thead>
          <tr>
            <th scope="col">Shaft</th>
            <th scope="col" className="n">
              Voltage
            </th>
            <th scope="col" className="n">
              Current
            </th>
            <th scope="col" className="n">
              Speed
            </th>
            <th scope="col" className="n">
              Torque
            </th>
            <th scope="col" className="n">
              Off by
            </th>
            <th scope="col">
              <span className="sr-only">Take it out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {readings.map(({ kind, voltageV, currentA, speedRpm, torqueNm }, at) => {
            const residual = fit?.residuals[at];
            return (
              <tr key={at} className={residual?.outlier ? 'bg-short-lo' : ''}>
                <td>
                  {kind}
                  {residual?.outlier && (
                    <span className="block text-[14px] text-short">
                      left out: {showNumber(residual.times, 2)} times as far off as the others
                    </span>
                  )}
                </td>
                <td className="n whitespace-nowrap">{say(voltageV, 'voltage')}</td>
                <td className="n whitespace-nowrap">{say(currentA, 'current')}</td>
                <td className="n whitespace-nowrap">
                  {kind === 'held fast' ? '–' : say(rpmToRadS(speedRpm), 'rotation')}
                </td>
                <td className="n whitespace-nowrap">
                  {torqueNm === undefined ? '–' : say(torqueNm, 'torque')}
                </td>
                <td className="n whitespace-nowrap">
                  {residual ? say(residual.voltageV, 'voltage', 2) : '–'}
                </td>
                <td>
                  <button
                    type="button"
                    className="push push-small"
                    aria-label={`Take out reading ${at + 1}`}
                    onClick={() => remove(at)}
                  >
                    Take out
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {readings.length === 0 && (
        <p className="px-3 py-2 text-soft">Nothing is read yet: begin with a free shaft.</p>
      )}
    </div>
  );
}
