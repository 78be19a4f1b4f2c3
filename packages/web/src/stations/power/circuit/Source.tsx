import type { CircuitPlan } from '@zubric/core/wiring';
import { useSay } from '../../../common/units.tsx';
import { AT, Box, Contact, shortened, soft, text, wire } from './symbols.tsx';

/** Battery, fuse and main switch; what is not said is drawn in dashes. */
export function Source({ plan, y }: { readonly plan: CircuitPlan; readonly y: number }) {
  const say = useSay();
  const { packs, joined, voltageV, fuseA, switchA, cable } = plan;
  const none = packs.length === 0;
  const counted = (one: CircuitPlan['packs'][number]): string => {
    const n = one.inSeries * one.inParallel;
    return n > 1 ? `${n} × ${one.name}` : one.name;
  };
  return (
    <g>
      <Box x={AT.battery} y={y - 32} width={94} height={64} missing={none} />
      <text x={AT.battery + 8} y={y - 14} fontWeight="600" {...text}>
        Battery
      </text>
      <text x={AT.battery + 8} y={y + 3} {...soft}>
        {none
          ? 'none chosen'
          : shortened(
              packs.length > 1
                ? `${packs.length} kinds ${joined}`
                : counted(packs[0] ?? { name: '', inSeries: 1, inParallel: 1 }),
              14,
            )}
      </text>
      <text x={AT.battery + 8} y={y + 20} {...soft}>
        {voltageV === undefined ? '' : say(voltageV, 'voltage')}
      </text>
      <path d={`M${AT.battery + 94} ${y}H${AT.fuse}`} {...wire} />
      <Box x={AT.fuse} y={y - 8} width={30} height={16} missing={fuseA === undefined} />
      <path d={`M${AT.fuse} ${y}h30`} stroke="var(--color-ink)" strokeWidth="1.5" />
      <text x={AT.fuse + 15} y={y - 16} textAnchor="middle" {...text}>
        {fuseA === undefined ? 'no fuse' : say(fuseA, 'current')}
      </text>
      <text x={AT.fuse + 15} y={y + 24} textAnchor="middle" {...soft}>
        fuse
      </text>
      <path d={`M${AT.fuse + 30} ${y}H${AT.mainSwitch}`} {...wire} />
      {switchA === undefined ? (
        <Box x={AT.mainSwitch} y={y - 12} width={44} height={24} missing />
      ) : (
        <>
          <Contact x={AT.mainSwitch + 8} y={y} />
          <path d={`M${AT.mainSwitch} ${y}h8M${AT.mainSwitch + 36} ${y}h8`} {...wire} />
        </>
      )}
      <text x={AT.mainSwitch + 22} y={y - 17} textAnchor="middle" {...text}>
        {switchA === undefined ? 'no switch' : say(switchA, 'current')}
      </text>
      <text x={AT.mainSwitch + 22} y={y + 24} textAnchor="middle" {...soft}>
        switch
      </text>
      {cable &&
        [`cable ${say(cable.area.value, 'area', 2)},`, say(cable.length.value, 'length', 2)].map(
          (line, n) => (
            <text key={line} x={AT.fuse + 2} y={y + 42 + n * 15} {...soft}>
              {line}
            </text>
          ),
        )}
    </g>
  );
}

/** What fills the battery, under it, before fuse and switch. */
export const Below = ({
  y,
  from,
  title,
  says,
}: {
  readonly y: number;
  readonly from: number;
  readonly title: string;
  readonly says: string;
}) => (
  <g>
    <path d={`M${AT.battery + 48} ${from}V${y - 20}`} {...wire} />
    <Box x={AT.battery} y={y - 20} width={102} height={42} />
    <text x={AT.battery + 8} y={y - 3} fontWeight="600" {...text}>
      {title}
    </text>
    <text x={AT.battery + 8} y={y + 13} {...soft}>
      {says}
    </text>
  </g>
);
