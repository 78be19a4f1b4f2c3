import { z } from 'zod';
import { radiansToDegrees, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { CHAIN_NAMES, chainSize, type ChainSize } from './chains.ts';

const input = z
  .strictObject({
    chain: z.enum(CHAIN_NAMES).meta({ description: 'Chain by its standard number', unit: '' }).optional(),
    pitchMm: key.positive('Pitch of a chain that has no number', 'mm').optional(),
    teethSmall: key.count('Teeth of the small sprocket'),
    teethLarge: key.count('Teeth of the large sprocket'),
    centreMm: key.positive('Distance between the shafts', 'mm'),
    smallRpm: key.nonNegative('Speed of the small sprocket', 'rpm').optional(),
    torqueNm: key.positive('Torque at the small sprocket', 'N·m').optional(),
  })
  .refine((i) => (i.chain === undefined) !== (i.pitchMm === undefined), {
    message: 'give either chain or pitchMm, not both',
    path: ['chain'],
  })
  .refine((i) => i.teethSmall <= i.teethLarge, {
    message: 'teethSmall must not be more than teethLarge',
    path: ['teethSmall'],
  });

const output = z.strictObject({
  ratio: key.positive('Large teeth over small teeth'),
  linksExact: key.positive('Links that the centre distance asks for'),
  links: key.count('The nearest even number of links'),
  centreForLinksMm: key.positive('Centre distance for those links, chain straight', 'mm'),
  pitchDiameterSmallMm: key.positive('Pitch diameter of the small sprocket', 'mm'),
  pitchDiameterLargeMm: key.positive('Pitch diameter of the large sprocket', 'mm'),
  outsideDiameterSmallMm: key.positive('Outside diameter of the small sprocket', 'mm'),
  outsideDiameterLargeMm: key.positive('Outside diameter of the large sprocket', 'mm'),
  wrapDeg: key.positive('Wrap on the small sprocket', 'deg'),
  chordalVariation: key.nonNegative('Speed variation of the chain on the small sprocket'),
  chainMps: key.nonNegative('Chain speed', 'm/s').optional(),
  pullN: key.positive('Chain pull', 'N').optional(),
  tensileFactor: key.positive('Least tensile strength over pull').optional(),
  ratedW: key.nonNegative('Rated power of the strand', 'W').optional(),
});

const HORSEPOWER_W = 745.7;
const MM_PER_INCH = 25.4;

/** p/sin(π/z): where the chain's pins run. One tooth has no polygon; it is refused. */
const pitchDiameter = (pitchMm: number, teeth: number): number => pitchMm / Math.sin(Math.PI / teeth);

/** A sprocket over its teeth, mm. Source: ASME B29.1, OD = p(0.6 + cot(180°/z)). */
const outsideDiameter = (pitchMm: number, teeth: number): number =>
  pitchMm * (0.6 + 1 / Math.tan(Math.PI / teeth));

/** Centre distance at which so many links close, mm; undefined where the chain is too short. */
function centreForLinks(pitchMm: number, links: number, [small, large]: readonly [number, number]) {
  const a = links - (small + large) / 2;
  const root = a * a - 8 * ((large - small) / (2 * Math.PI)) ** 2;
  return a > 0 && root >= 0 ? (pitchMm / 4) * (a + Math.sqrt(root)) : undefined;
}

/** Power rating of one strand, W: the lesser of link-plate fatigue and roller impact. Source: Shigley, ch. 17. */
function ratedPower(size: ChainSize, teeth: number, rpm: number): number | undefined {
  if (!size.rating) return undefined;
  const pitchIn = size.pitchMm / MM_PER_INCH;
  const linkPlate = size.rating.linkPlate * teeth ** 1.08 * rpm ** 0.9 * pitchIn ** (3 - 0.07 * pitchIn);
  const roller =
    rpm === 0 ? Infinity : (1000 * size.rating.roller * teeth ** 1.5 * pitchIn ** 0.8) / rpm ** 1.5;
  return HORSEPOWER_W * Math.min(linkPlate, roller);
}

type Input = z.output<typeof input>;

function geometry(i: Input, pitchMm: number) {
  if (i.teethSmall < 3)
    throw new NotPhysical(
      'too-few-teeth',
      sentence`A sprocket of ${i.teethSmall} teeth cannot be made: use 3 or more.`,
    );
  const small = pitchDiameter(pitchMm, i.teethSmall);
  const large = pitchDiameter(pitchMm, i.teethLarge);
  if (i.centreMm <= (small + large) / 2)
    throw new NotPhysical(
      'sprockets-overlap',
      sentence`At ${figure(i.centreMm / 1000, 'length')} the sprockets overlap: the shafts must be more than ${figure((small + large) / 2000, 'length')} apart.`,
    );
  const linksExact =
    (2 * i.centreMm) / pitchMm +
    (i.teethSmall + i.teethLarge) / 2 +
    ((i.teethLarge - i.teethSmall) ** 2 * pitchMm) / (4 * Math.PI ** 2 * i.centreMm);
  const links = 2 * Math.floor(linksExact / 2 + 0.5);
  const centreForLinksMm = centreForLinks(pitchMm, links, [i.teethSmall, i.teethLarge]);
  const sinus = centreForLinksMm === undefined ? 2 : (large - small) / (2 * centreForLinksMm);
  if (centreForLinksMm === undefined || sinus > 1)
    throw new NotPhysical(
      'chain-too-short',
      sentence`${links} links do not reach round ${i.teethSmall} and ${i.teethLarge} teeth: move the shafts apart.`,
    );
  return {
    small,
    large,
    linksExact,
    links,
    centreForLinksMm,
    wrapDeg: 180 - 2 * radiansToDegrees(Math.asin(sinus)),
  };
}

export const chainDrive = defineCalculator({
  name: 'chain-drive',
  topic: 'lengths',
  asks: 'How many links?',
  title: 'Roller chain and sprockets',
  purpose: 'Links, centre distance, wrap, pull and rating of a chain between two sprockets.',
  input,
  output,
  formula:
    'X = 2 C/p + (z1 + z2)/2 + (z2 − z1)² p/(4 π² C), to even links n;  C′ = (p/4) [A + √(A² − 8 ((z2 − z1)/(2 π))²)];  A = n − (z1 + z2)/2;  D1 = p/sin(π/z1);  D2 = p/sin(π/z2);  pull = 2 T/D1',
  symbols: {
    given: { p: 'pitchMm', z1: 'teethSmall', z2: 'teethLarge', C: 'centreMm', T: 'torqueNm' },
    found: {
      X: 'linksExact',
      n: 'links',
      'C′': 'centreForLinksMm',
      D1: 'pitchDiameterSmallMm',
      D2: 'pitchDiameterLargeMm',
      pull: 'pullN',
    },
  },
  source:
    "ASME B29.1 and ISO 606 (table values from memory); Shigley's Mechanical Engineering Design, ch. 17",
  limits:
    'A straight strand without sag, sprockets in line. Ratings are for clean, oiled chain: dirt shortens its life many times.',
  examples: [
    {
      origin: 'Shigley, table 17-20: ANSI 40, 17 teeth, 50 rpm, 0.37 hp (from memory)',
      input: { chain: 'ansi-40', teethSmall: 17, teethLarge: 34, centreMm: 400, smallRpm: 50 },
      output: { ratedW: 0.369 * HORSEPOWER_W, pitchDiameterSmallMm: 69.1158 },
      tolerance: 2e-3,
    },
  ],
  run: (i) => {
    const size = i.chain === undefined ? undefined : chainSize(i.chain);
    const pitchMm = size?.pitchMm ?? i.pitchMm ?? 0;
    const { small, large, linksExact, links, centreForLinksMm, wrapDeg } = geometry(i, pitchMm);
    const half = Math.PI / i.teethSmall;
    const pullN = i.torqueNm === undefined ? undefined : (2000 * i.torqueNm) / small;
    const ratedW = size && i.smallRpm !== undefined ? ratedPower(size, i.teethSmall, i.smallRpm) : undefined;
    return {
      ratio: i.teethLarge / i.teethSmall,
      linksExact,
      links,
      centreForLinksMm,
      pitchDiameterSmallMm: small,
      pitchDiameterLargeMm: large,
      outsideDiameterSmallMm: outsideDiameter(pitchMm, i.teethSmall),
      outsideDiameterLargeMm: outsideDiameter(pitchMm, i.teethLarge),
      wrapDeg,
      chordalVariation: half * (1 / Math.sin(half) - 1 / Math.tan(half)),
      ...(i.smallRpm === undefined ? {} : { chainMps: (i.teethSmall * pitchMm * i.smallRpm) / 60000 }),
      ...(pullN === undefined ? {} : { pullN }),
      ...(pullN === undefined || !size ? {} : { tensileFactor: size.tensileN / pullN }),
      ...(ratedW === undefined ? {} : { ratedW }),
    };
  },
});
