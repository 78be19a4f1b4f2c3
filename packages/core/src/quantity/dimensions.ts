import { STANDARD_GRAVITY } from './constants.ts';
import {
  DEGREE,
  FOOT,
  HORSEPOWER,
  INCH,
  METRIC_HORSEPOWER,
  celsius,
  fahrenheit,
  MILE,
  OUNCE,
  POUND,
  grade,
  oneIn,
  only,
  unit,
} from './customary.ts';
import { force, linePull, stress, torque } from './mechanical.ts';
import type { DimensionDefinition } from './unit.ts';

const mass: DimensionDefinition = {
  title: 'mass',
  siSymbol: 'kg',
  units: [
    unit('kg', 1, 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms'),
    unit('g', 1e-3, 'gram', 'grams', 'gm'),
    unit('t', 1000, 'tonne', 'tonnes'),
    unit('lb', POUND, 'lbs', 'pound', 'pounds', 'lbm', '#'),
    unit('oz', OUNCE, 'ounce', 'ounces'),
    unit('st', 14 * POUND, 'stone'),
  ],
  metric: [
    { symbol: 'g', from: 0 },
    { symbol: 'kg', from: 1 },
  ],
  imperial: [
    { symbol: 'oz', from: 0 },
    { symbol: 'lb', from: POUND },
  ],
};

const length: DimensionDefinition = {
  title: 'length',
  siSymbol: 'm',
  units: [
    unit('m', 1, 'metre', 'metres', 'meter', 'meters'),
    unit('mm', 1e-3, 'millimetre', 'millimetres', 'millimeter', 'millimeters'),
    unit('cm', 1e-2, 'centimetre', 'centimetres', 'centimeter', 'centimeters'),
    unit('km', 1000, 'kilometre', 'kilometres', 'kilometer', 'kilometers'),
    unit('in', INCH, '"', 'inch', 'inches'),
    unit('thou', INCH / 1000, 'mil', 'mils'),
    unit('ft', FOOT, "'", 'foot', 'feet'),
    unit('yd', 3 * FOOT, 'yard', 'yards'),
    unit('mi', MILE, 'mile', 'miles'),
  ],
  metric: [
    { symbol: 'mm', from: 0 },
    { symbol: 'm', from: 1 },
    { symbol: 'km', from: 2000 },
  ],
  imperial: [
    { symbol: 'in', from: 0 },
    { symbol: 'ft', from: 4 * FOOT },
    { symbol: 'mi', from: MILE },
  ],
  zero: { metric: 'mm', imperial: 'in' },
};

const speed: DimensionDefinition = {
  title: 'speed',
  siSymbol: 'm/s',
  units: [
    unit('m/s', 1, 'mps'),
    unit('mm/s', 1e-3),
    unit('cm/s', 1e-2),
    unit('m/min', 1 / 60),
    unit('km/h', 1000 / 3600, 'kmh', 'kph', 'kmph'),
    unit('mph', MILE / 3600, 'mi/h', 'mile an hour', 'miles an hour', 'miles per hour'),
    unit('kn', 1852 / 3600, 'kt', 'kts', 'knot', 'knots'),
    unit('ft/s', FOOT, 'fps'),
    unit('ft/min', FOOT / 60, 'fpm'),
    unit('in/s', INCH, 'ips'),
  ],
  metric: [
    { symbol: 'mm/s', from: 0 },
    { symbol: 'm/s', from: 0.1 },
  ],
  // Under half a mile an hour nobody says miles.
  imperial: [
    { symbol: 'ft/min', from: 0 },
    { symbol: 'mph', from: (0.5 * MILE) / 3600 },
  ],
};

const acceleration: DimensionDefinition = {
  title: 'acceleration',
  siSymbol: 'm/s²',
  units: [
    unit('m/s²', 1, 'm/s2', 'm/s^2', 'mps2'),
    unit('ft/s²', FOOT, 'ft/s2', 'ft/s^2'),
    unit('g', STANDARD_GRAVITY),
  ],
  metric: only('m/s²'),
  imperial: only('ft/s²'),
};

const rotation: DimensionDefinition = {
  title: 'speed of rotation',
  siSymbol: 'rad/s',
  units: [
    unit('rpm', Math.PI / 30, 'r/min', 'rev/min', 'turns/min'),
    unit('rad/s', 1, 'rads', 'rad/sec'),
    unit('rev/s', 2 * Math.PI, 'rps', 'r/s', 'turns/s'),
    unit('°/s', DEGREE, 'deg/s'),
  ],
  metric: only('rpm'),
  imperial: only('rpm'),
};

const angle: DimensionDefinition = {
  title: 'angle or grade',
  siSymbol: 'rad',
  units: [
    unit('°', DEGREE, 'deg', 'degs', 'degree', 'degrees'),
    unit('rad', 1, 'radian', 'radians'),
    unit('%', grade, 'percent', 'pct'),
    unit('1:n', oneIn),
  ],
  metric: only('°'),
  imperial: only('°'),
};

const electrical = (title: string, symbol: string, ...names: string[]): DimensionDefinition => ({
  title,
  siSymbol: symbol,
  units: [
    unit(symbol, 1, ...names),
    unit(`m${symbol}`, 1e-3, ...names.map((name) => `milli${name}`), ...names.map((name) => `m${name}`)),
  ],
  metric: [
    { symbol: `m${symbol}`, from: 0 },
    { symbol, from: 1 },
  ],
  imperial: [
    { symbol: `m${symbol}`, from: 0 },
    { symbol, from: 1 },
  ],
});

const voltage = electrical('voltage', 'V', 'volt', 'volts');
const current = electrical('current', 'A', 'amp', 'amps', 'ampere', 'amperes');
const ohms = electrical('resistance', 'Ω', 'ohm', 'ohms', 'r');
const resistance: DimensionDefinition = {
  ...ohms,
  units: [...ohms.units, unit('kΩ', 1000, 'kohms', 'kiloohm', 'kiloohms')],
};

const power: DimensionDefinition = {
  title: 'power',
  siSymbol: 'W',
  units: [
    unit('W', 1, 'watt', 'watts'),
    unit('mW', 1e-3),
    unit('kW', 1000, 'kilowatt', 'kilowatts'),
    unit('hp', HORSEPOWER, 'bhp', 'horsepower'),
    unit('PS', METRIC_HORSEPOWER, 'cv'),
  ],
  metric: only('W'),
  imperial: only('W'),
};

const energy: DimensionDefinition = {
  title: 'energy',
  siSymbol: 'J',
  units: [
    unit('Wh', 3600, 'watthour', 'watthours'),
    unit('kWh', 3.6e6),
    unit('J', 1, 'joule', 'joules'),
    unit('kJ', 1000),
  ],
  metric: only('Wh'),
  imperial: only('Wh'),
};

const charge: DimensionDefinition = {
  title: 'charge',
  siSymbol: 'A·s',
  units: [unit('Ah', 3600, 'amphour', 'amphours'), unit('mAh', 3.6)],
  metric: only('Ah'),
  imperial: only('Ah'),
};

const time: DimensionDefinition = {
  title: 'time',
  siSymbol: 's',
  units: [
    unit('s', 1, 'sec', 'secs', 'second', 'seconds'),
    unit('ms', 1e-3),
    unit('min', 60, 'mins', 'minute', 'minutes'),
    unit('h', 3600, 'hr', 'hrs', 'hour', 'hours'),
    unit('d', 86400, 'day', 'days'),
  ],
  metric: [
    { symbol: 's', from: 0 },
    { symbol: 'min', from: 90 },
    { symbol: 'h', from: 7200 },
  ],
  imperial: [
    { symbol: 's', from: 0 },
    { symbol: 'min', from: 90 },
    { symbol: 'h', from: 7200 },
  ],
};

const area: DimensionDefinition = {
  title: 'area',
  siSymbol: 'm²',
  units: [
    unit('m²', 1, 'm2', 'm^2', 'sqm'),
    unit('cm²', 1e-4, 'cm2', 'cm^2'),
    unit('mm²', 1e-6, 'mm2', 'mm^2'),
    unit('ha', 1e4, 'hectare', 'hectares'),
    unit('acre', 43_560 * FOOT * FOOT, 'acres', 'ac'),
    unit('ft²', FOOT * FOOT, 'ft2', 'ft^2', 'sqft'),
    unit('in²', INCH * INCH, 'in2', 'in^2', 'sqin'),
  ],
  metric: [
    { symbol: 'mm²', from: 0 },
    { symbol: 'm²', from: 1e-3 },
  ],
  imperial: [
    { symbol: 'in²', from: 0 },
    { symbol: 'ft²', from: FOOT * FOOT * 0.1 },
  ],
};

const temperature: DimensionDefinition = {
  title: 'temperature',
  siSymbol: 'K',
  units: [
    { symbol: '°C', si: celsius, names: ['c', 'degc', 'celsius'] },
    { symbol: '°F', si: fahrenheit, names: ['f', 'degf', 'fahrenheit'] },
    unit('K', 1, 'kelvin'),
  ],
  metric: only('°C'),
  imperial: only('°F'),
};

const plain = (title: string): DimensionDefinition => ({
  title,
  siSymbol: '',
  units: [unit('', 1), unit('%', 0.01, 'percent', 'pct')],
  metric: only(''),
  imperial: only(''),
});

const ratio: DimensionDefinition = {
  title: 'ratio',
  siSymbol: ': 1',
  units: [unit(': 1', 1, ':1')],
  metric: only(': 1'),
  imperial: only(': 1'),
};

/** Every kind of quantity that a builder types or reads. */
export const DIMENSIONS = {
  mass,
  length,
  force,
  'line-pull': linePull,
  torque,
  speed,
  acceleration,
  rotation,
  angle,
  voltage,
  current,
  resistance,
  power,
  energy,
  charge,
  time,
  area,
  stress,
  temperature,
  ratio,
  /** A number of its own, such as a price: no unit, no per cent. */
  number: { title: 'number', siSymbol: '', units: [unit('', 1)], metric: only(''), imperial: only('') },
  /** A plain number: a coefficient of friction or rolling. */
  coefficient: plain('coefficient'),
  /** A part of a whole. */
  share: { ...plain('share'), metric: only('%'), imperial: only('%') },
} as const satisfies Record<string, DimensionDefinition>;
