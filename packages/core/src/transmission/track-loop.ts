import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, bracketedRoot, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  pitchMm: key.positive('Pitch of the track', 'mm'),
  sprocketTeeth: key.count('Teeth of the sprocket'),
  idlerDiameterMm: key.positive('Diameter of the idler, to the pitch line', 'mm'),
  centreMm: key.positive('Distance between sprocket and idler', 'mm'),
});

const output = z.strictObject({
  sprocketPitchDiameterMm: key.positive('Pitch diameter of the sprocket', 'mm'),
  linksExact: key.positive('Links that the distance asks for'),
  links: key.count('The next whole number of links'),
  centreForLinksMm: key.positive('Distance at which those links are taut', 'mm'),
  slotTravelMm: key.positive('Travel of the tensioner for one link', 'mm').optional(),
});

/** A loop within this of a whole number of links is that number: rounding, not slack. */
const WHOLE_LINK = 1e-9;
/** Beyond this a link is lost in the rounding of the loop. */
const MOST_LINKS = 1e9;

export const trackLoop = defineCalculator({
  name: 'track-loop',
  topic: 'lengths',
  asks: 'How many links has the track?',
  title: 'Track round a sprocket and an idler',
  purpose: 'Links of a track and the travel its tensioner needs.',
  input,
  output,
  formula:
    'Ds = p/sin(π/z);  β = asin((Ds − Di)/(2 C));  n = 2 C cosβ/p + z (π + 2 β)/(2 π) + Di (π − 2 β)/(2 p)',
  symbols: {
    given: { p: 'pitchMm', z: 'sprocketTeeth', Di: 'idlerDiameterMm', C: 'centreMm' },
    found: { Ds: 'sprocketPitchDiameterMm', n: 'linksExact' },
  },
  source: 'geometry: links lie as chords on the sprocket',
  limits:
    'A taut loop without sag or road wheels between; allow for wear and for mud between links and sprocket.',
  examples: [
    {
      origin: 'sprocket and idler of 100 mm (geometry)',
      input: { pitchMm: 50, sprocketTeeth: 6, idlerDiameterMm: 100, centreMm: 340 },
      output: {
        sprocketPitchDiameterMm: 100,
        linksExact: 19.7415927,
        links: 20,
        centreForLinksMm: 346.4601837,
        slotTravelMm: 25,
      },
      tolerance: 1e-8,
    },
  ],
  run: ({ pitchMm: p, sprocketTeeth: z_, idlerDiameterMm, centreMm }) => {
    if (z_ < 3)
      throw new NotPhysical(
        'too-few-teeth',
        sentence`A sprocket of ${z_} teeth cannot be made: use 3 or more.`,
      );
    const sprocket = p / Math.sin(Math.PI / z_);
    const touch = (sprocket + idlerDiameterMm) / 2;
    if (centreMm <= touch)
      throw new NotPhysical(
        'overlap',
        sentence`Sprocket and idler overlap: they must be more than ${figure(touch / 1000, 'length')} apart.`,
      );
    const linksAt = (c: number): number => {
      const lean = Math.asin((sprocket - idlerDiameterMm) / (2 * c));
      return (
        (2 * c * Math.cos(lean)) / p +
        (z_ * (Math.PI + 2 * lean)) / (2 * Math.PI) +
        (idlerDiameterMm * (Math.PI - 2 * lean)) / (2 * p)
      );
    };
    const linksExact = linksAt(centreMm);
    if (!(linksExact < MOST_LINKS))
      throw new NotPhysical(
        'out-of-range',
        'That is more links than a track has: check the units of pitch and distance.',
      );
    const links = Math.ceil(linksExact - WHOLE_LINK);
    const centreFor = (n: number): number | undefined =>
      linksAt(touch) < n
        ? bracketedRoot((c) => linksAt(c) - n, touch, touch + n * p, 1e-13 * (touch + n * p))
        : undefined;
    const centreForLinksMm = centreFor(links) ?? centreMm;
    const fewer = centreFor(links - 1);
    return {
      sprocketPitchDiameterMm: sprocket,
      linksExact,
      links,
      centreForLinksMm,
      ...(fewer === undefined ? {} : { slotTravelMm: centreForLinksMm - fewer }),
    };
  },
});
