import { showNumber, type Dimension } from '@zubric/core/quantity';
import { batteryPack } from '@zubric/core/supply';
import type { Part, PartKind, PartOf } from '@zubric/core/vehicle';

type Say = (si: number, dimension: Dimension) => string;

/** The figures a builder looks for first. */
const FIGURES: { readonly [K in PartKind]: (part: PartOf<K>, say: Say) => string } = {
  motor: (m, say) =>
    `${showNumber(m.voltageV)} V · stalls at ${say(m.stallTorqueNm * (m.gearhead ? m.gearhead.ratio * m.gearhead.efficiency : 1), 'torque')}, ${say(m.stallA, 'current')} · all day ${say(m.continuousA, 'current')}`,
  driver: (d) =>
    `${d.channels === 1 ? '1 channel' : `${d.channels} channels`}, ${showNumber(d.leastV)} to ${showNumber(d.mostV)} V, all day ${showNumber(d.continuousA)} A${d.limitsCurrent ? `, limits at ${showNumber(d.peakA)} A` : ''}`,
  battery: (b) => {
    const pack = batteryPack.run(b);
    return `${showNumber(pack.nominalV)} V, ${showNumber(pack.energyWh)} Wh, ${showNumber(pack.resistanceOhm * 1000)} mΩ, gives ${showNumber(b.continuousA)} A all day`;
  },
};

/** A part by the figures that tell it from others; which of them are guesses is said with it. */
export const figuresOf = (part: Part, say: Say): string =>
  (FIGURES[part.kind] as (part: Part, say: Say) => string)(part, say);

/** Volts of a part: of a motor and a pack its own, of a driver the most that it bears. */
export const voltsOf = (part: Part): number =>
  part.kind === 'motor'
    ? part.voltageV
    : part.kind === 'driver'
      ? part.mostV
      : batteryPack.run(part).nominalV;
