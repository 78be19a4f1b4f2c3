import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  wheelLoadN: key.positive('Load on a steered wheel', 'N'),
  friction: key.positive('Friction between tyre and ground'),
  tyreWidthM: key.positive('Width of the tyre on the ground', 'm'),
  kingpinOffsetM: key.nonNegative('Kingpin beside the middle of the tyre, at the ground', 'm').default(0),
  wheels: key.count('Steered wheels').default(2),
  linkageRatio: key.positive('Turn of the servo for a turn of the wheel').default(1),
  servoSecPer60Deg: key.positive('Time of the servo for 60°', 's').optional(),
  lockToLockDeg: key.positive('Turn of the wheel from lock to lock', 'deg').optional(),
});

const output = z.strictObject({
  kingpinNm: key.positive('Torque about each kingpin', 'N·m'),
  servoNm: key.positive('Torque of the servo', 'N·m'),
  lockToLockS: key.positive('Time from lock to lock', 's').optional(),
});

export const steerTorque = defineCalculator({
  name: 'steer-torque',
  topic: 'ground',
  asks: 'How strong must the steering servo be?',
  title: 'Turning a standing wheel',
  purpose: 'Torque that a steering servo needs at a standstill.',
  input,
  output,
  formula: 'Tk = μ W √(b²/8 + e²);  Ts = wheels·Tk/i;  t = t60·δ·i/60°',
  symbols: {
    given: {
      W: 'wheelLoadN',
      μ: 'friction',
      b: 'tyreWidthM',
      e: 'kingpinOffsetM',
      wheels: 'wheels',
      i: 'linkageRatio',
      t60: 'servoSecPer60Deg',
      δ: 'lockToLockDeg',
    },
    found: { Tk: 'kingpinNm', Ts: 'servoNm', t: 'lockToLockS' },
  },
  source: 'common standstill steering estimate, from memory',
  limits:
    'Standing still on firm ground, the hardest case; rolling wheels ask far less, a wheel in a rut more.',
  examples: [
    {
      origin: '√(0.0008 + 0.0001) = 0.03 (exact)',
      input: { wheelLoadN: 100, friction: 0.8, tyreWidthM: 0.08, kingpinOffsetM: 0.01, linkageRatio: 2 },
      output: { kingpinNm: 2.4, servoNm: 2.4 },
    },
  ],
  run: (i) => {
    const kingpinNm = i.friction * i.wheelLoadN * Math.sqrt(i.tyreWidthM ** 2 / 8 + i.kingpinOffsetM ** 2);
    return {
      kingpinNm,
      servoNm: (i.wheels * kingpinNm) / i.linkageRatio,
      ...(i.servoSecPer60Deg === undefined || i.lockToLockDeg === undefined
        ? {}
        : { lockToLockS: (i.servoSecPer60Deg * i.lockToLockDeg * i.linkageRatio) / 60 }),
    };
  },
});
