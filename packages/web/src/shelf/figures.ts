import { rpmToRadS, showNumber, type Dimension } from '@zubric/core/quantity';
import { batteryPack } from '@zubric/core/supply';
import {
  isChosen,
  motorAbilities,
  motorNominal,
  packCells,
  partChoices,
  partFields,
  typeOfPart,
  type ChosenKind,
  type Part,
  type PartField,
  type PartOf,
} from '@zubric/core/vehicle';

type Say = (si: number, dimension: Dimension) => string;

/** The figures a builder looks for first. */
const FIGURES: { readonly [K in ChosenKind]: (part: PartOf<K>, say: Say) => string } = {
  motor: (m, say) => {
    const { noLoadRpm, stallTorqueNm, stallA } = motorNominal(m);
    const { ratio, efficiency } = m.gearhead ?? { ratio: 1, efficiency: 1 };
    const type = m.type === 'brushed' ? '' : `${motorAbilities(m).title.toLowerCase()} · `;
    return `${type}${showNumber(m.voltageV)} V · ${say(rpmToRadS(noLoadRpm / ratio), 'rotation')} · stalls at ${say(stallTorqueNm * ratio * efficiency, 'torque')}, ${say(stallA, 'current')} · all day ${say(m.continuousA, 'current')}`;
  },
  driver: (d) =>
    `${d.channels === 1 ? '1 channel' : `${d.channels} channels`}, ${showNumber(d.leastV)} to ${showNumber(d.mostV)} V, all day ${showNumber(d.continuousA)} A${d.limitsCurrent ? `, limits at ${showNumber(d.peakA)} A` : ''}`,
  battery: (b) => {
    const pack = batteryPack.run(packCells(b));
    return `${showNumber(pack.nominalV)} V, ${showNumber(pack.energyWh)} Wh, ${showNumber(pack.resistanceOhm * 1000)} mΩ, gives ${showNumber(b.continuousA)} A all day`;
  },
};

/** Figures that stand in columns of their own. */
const ELSEWHERE: ReadonlySet<string> = new Set(['massKg', 'cost']);
/** More of them than this tell nobody anything. */
const MOST_FIGURES = 5;

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A figure of a part with its unit. */
export const figureSaid = ({ dimension, unit, quantityOf }: PartField, value: number, say: Say): string =>
  dimension === 'number'
    ? [showNumber(value), unit].filter((text) => text !== undefined).join(' ')
    : say(quantityOf(value).value, dimension);

/** What is chosen of a part and the first of its figures, each with its name where it is no plain word. */
function inGeneral(part: Part, say: Say): string {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  const type = typeOfPart(part);
  const chosen = partChoices(part.kind, type).flatMap(({ key, title, of }) => {
    const value = values[key];
    if (value === undefined || value === false) return [];
    return [of ? String(value) : lowerFirst(title)];
  });
  const figures = partFields(part.kind, type).flatMap((field) => {
    const value = values[field.key];
    if (typeof value !== 'number' || ELSEWHERE.has(field.key)) return [];
    return [`${lowerFirst(field.title)} ${figureSaid(field, value, say)}`];
  });
  return [...chosen, ...figures.slice(0, MOST_FIGURES)].join(' · ');
}

/** A part by the figures that tell it from others. */
export const figuresOf = (part: Part, say: Say): string =>
  isChosen(part) ? (FIGURES[part.kind] as (part: Part, say: Say) => string)(part, say) : inGeneral(part, say);

/** Volts of a part: of a motor, a pack and a source its own, of what bears a voltage the most; undefined of what has none. */
export function voltsOf(part: Part): number | undefined {
  if (part.kind === 'battery') return batteryPack.run(packCells(part)).nominalV;
  if ('voltageV' in part) return part.voltageV;
  return 'mostV' in part ? part.mostV : undefined;
}
