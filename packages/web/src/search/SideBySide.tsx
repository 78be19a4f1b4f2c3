import { setInWords } from '@zubric/core/say';
import type { FoundSet, SetInFull } from '@zubric/core/search';
import { closeness, linkDefinition, type LinkId, type LinkReport } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
import { useUnits } from '../common/units.tsx';
import { factorOf } from '../strip/factor.ts';
import { sayAim } from './aims.ts';
import { fullOf } from './SetList.tsx';

interface Props {
  readonly build: Build;
  readonly sets: readonly FoundSet[];
  readonly onPutIn: (set: FoundSet) => void;
  readonly busy: boolean;
}

const marginOf = ({ margins }: SetInFull, link: LinkId): LinkReport | undefined =>
  margins.governing.find((one) => one.link === link);

/** Up to four sets beside each other: their parts, what they come to, and each margin on its worst job. */
export function SideBySide({ build, sets, onPutIn, busy }: Props) {
  const { system } = useUnits();
  const full = sets.map((set) => fullOf(build, set));
  const links = [...new Set(full.flatMap(({ margins }) => margins.governing.map(({ link }) => link)))];
  // What is the same in all of them tells nothing.
  const telling = links.filter((link) => new Set(full.map((one) => said(marginOf(one, link)))).size > 1);
  const rows: readonly (readonly [string, (one: SetInFull) => string])[] = [
    ['Driver', ({ set }) => set.driver?.name ?? 'its own electronics'],
    ['Battery', ({ set }) => set.battery.name],
    ['Stages', ({ set }) => setInWords(set, system)],
    ['Cost', ({ set }) => sayAim('cost', set.cost ?? Infinity, system)],
    ['Mass', ({ set }) => sayAim('massKg', set.massKg, system)],
    ['Run time', ({ set }) => sayAim('runTimeS', set.runTimeS, system)],
  ];
  return (
    <section className="sheet relative overflow-x-auto" aria-labelledby="side-by-side">
      <h2 id="side-by-side" className="p-3 pb-0">
        Side by side
      </h2>
      <p className="px-3 text-[14px] text-soft">What differs; of each margin the best in bold.</p>
      <table className="grid-table">
        <thead>
          <tr>
            <th scope="col">Motor</th>
            {full.map((one, at) => (
              <th key={at} scope="col" className="min-w-40 align-top whitespace-normal">
                {one.set.motor.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([title, of]) => (
            <tr key={title}>
              <th scope="row" className="text-left font-normal text-soft">
                {title}
              </th>
              {full.map((one, at) => (
                <td key={at}>{of(one)}</td>
              ))}
            </tr>
          ))}
          {telling.map((link) => (
            <tr key={link}>
              <th scope="row" className="text-left font-normal text-soft">
                {linkDefinition(link).title}
              </th>
              {full.map((one, at) => (
                <MarginCell key={at} margin={marginOf(one, link)} best={bestOf(full, link)} />
              ))}
            </tr>
          ))}
          <tr>
            <td />
            {full.map((one, at) => (
              <td key={at}>
                <button
                  type="button"
                  className="push push-small"
                  disabled={busy}
                  onClick={() => onPutIn(one.set)}
                >
                  Put in<span className="sr-only">: {one.set.motor.name}</span>
                </button>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </section>
  );
}

const said = (margin: LinkReport | undefined): string =>
  margin ? `${factorOf(margin)} ${margin.verdict}` : '';

/** The best of a line as it is read: what says the same is as good. */
function bestOf(full: readonly SetInFull[], link: LinkId): string {
  const [best] = full
    .flatMap((one) => marginOf(one, link) ?? [])
    .sort((one, other) => closeness(other) - closeness(one));
  return said(best);
}

interface CellProps {
  readonly margin: LinkReport | undefined;
  readonly best: string;
}

function MarginCell({ margin, best }: CellProps) {
  if (!margin) return <td className="text-soft">–</td>;
  const under = margin.verdict === 'fails' || margin.verdict === 'short';
  const weight = said(margin) === best ? 'font-semibold' : '';
  return <td className={`tabular-nums ${weight} ${under ? 'text-short' : ''}`}>{said(margin)}</td>;
}
