import { at, circle, line, measure, note, openLoop, type Shape } from '../../drawings/shapes.ts';
import type { Drawn, SumSketch } from './sketch.ts';

interface Loop {
  readonly small: number;
  readonly large: number;
  readonly centre: number;
  readonly smallText: string;
  readonly largeText: string;
  readonly centreText: string;
  readonly loopText: string;
}

function loopShapes({ small, large, centre, smallText, largeText, centreText, loopText }: Loop): Shape[] {
  const greatest = Math.max(small, large);
  return [
    circle(at(0, 0), small, 'mech', { filled: true }),
    circle(at(centre, 0), large, 'mech', { filled: true }),
    line(openLoop({ at: at(0, 0), radius: small }, { at: at(centre, 0), radius: large }), 'ink', {
      closed: true,
      heavy: true,
    }),
    measure(at(0, 0), at(centre, 0), centreText),
    note(at(0, -small), smallText, 'soft', -1.1),
    note(at(centre, -large), largeText, 'soft', -1.1),
    note(at(centre / 2, greatest), loopText, 'ink', 1.1),
  ];
}

export const chainSketch = ({ given, found, say }: Drawn<'chain-drive'>): SumSketch => ({
  shapes: loopShapes({
    small: found.pitchDiameterSmallMm / 2,
    large: found.pitchDiameterLargeMm / 2,
    centre: found.centreForLinksMm,
    smallText: `${given.teethSmall} teeth, Ø ${say('pitchDiameterSmallMm')}`,
    largeText: `${given.teethLarge} teeth, Ø ${say('pitchDiameterLargeMm')}`,
    centreText: say('centreForLinksMm'),
    loopText: `${found.links} links, wrap ${say('wrapDeg')}`,
  }),
  label: 'Both sprockets on their pitch circles with the chain round them, to scale',
  unit: 'mm',
});

export const timingBeltSketch = ({ given, found, say }: Drawn<'timing-belt'>): SumSketch => ({
  shapes: loopShapes({
    small: found.pitchDiameterSmallMm / 2,
    large: found.pitchDiameterLargeMm / 2,
    centre: found.centreMm,
    smallText: `${given.teethSmall} teeth, Ø ${say('pitchDiameterSmallMm')}`,
    largeText: `${given.teethLarge} teeth, Ø ${say('pitchDiameterLargeMm')}`,
    centreText: say('centreMm'),
    loopText: `belt of ${found.beltTeeth} teeth, wrap ${say('wrapDeg')}`,
  }),
  label: 'Both pulleys on their pitch circles with the belt round them, to scale',
  unit: 'mm',
});

export const frictionBeltSketch = ({ given, say }: Drawn<'friction-belt'>): SumSketch => ({
  shapes: loopShapes({
    small: given.smallDiameterMm / 2,
    large: given.largeDiameterMm / 2,
    centre: given.centreMm,
    smallText: `Ø ${say('smallDiameterMm')}`,
    largeText: `Ø ${say('largeDiameterMm')}`,
    centreText: say('centreMm'),
    loopText: `wrap ${say('wrapDeg')}${given.idlerExtraWrapDeg > 0 ? ', idler counted' : ''}`,
  }),
  label: 'Both pulleys with the belt round them, to scale',
  unit: 'mm',
});

export const trackSketch = ({ given, found, say }: Drawn<'track-loop'>): SumSketch => ({
  shapes: loopShapes({
    small: found.sprocketPitchDiameterMm / 2,
    large: given.idlerDiameterMm / 2,
    centre: found.centreForLinksMm,
    smallText: `sprocket, ${given.sprocketTeeth} teeth`,
    largeText: `idler, Ø ${say('idlerDiameterMm')}`,
    centreText: say('centreForLinksMm'),
    loopText: `${found.links} links`,
  }),
  label: 'Sprocket and idler with the track round them, to scale',
  unit: 'mm',
});
