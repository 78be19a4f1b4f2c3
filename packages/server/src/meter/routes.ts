import { pipeline } from 'node:stream/promises';
import type { MeterAnswer } from '@zubric/core/answers';
import { Router } from 'express';
import { z } from 'zod';
import { HttpProblem } from '../http/http-problem.ts';
import { HIDDEN_MOTORS } from './hidden-motor.ts';
import type { Meter, MeterState } from './meter.ts';

const MOST_V = 60;
const change = z.strictObject({
  motor: z.enum(HIDDEN_MOTORS.map(({ id }) => id) as [string, ...string[]]).optional(),
  voltageV: z.number().min(0).max(MOST_V).optional(),
  hold: z.number().min(0).max(1).optional(),
  plugged: z.boolean().optional(),
});

const answerOf = ({ motor, voltageV, hold, plugged }: MeterState): MeterAnswer => ({
  motors: HIDDEN_MOTORS.map(({ id, name, ratedV }) => ({ id, name, ratedV })),
  motor,
  voltageV,
  hold,
  plugged,
});

/** The simulated bench meter: what it is set to, and its readings as a stream of lines. */
export function meterRoutes(meter: Meter): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(answerOf(await meter.state()));
  });

  routes.put('/', async (request, response) => {
    const asked = change.parse(request.body);
    const told = Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== undefined));
    response.json(answerOf(await meter.set(told)));
  });

  routes.get('/lines', async (request, response) => {
    if (!(await meter.state()).plugged)
      throw new HttpProblem({
        status: 503,
        code: 'unplugged',
        title: 'The meter does not answer: its plug is out. Put it in again; readings so far are kept.',
      });
    const gone = new AbortController();
    request.on('close', () => gone.abort());
    // Lines are for now: kept back to be compressed they would come late.
    response.type('text/plain; charset=utf-8').set('Cache-Control', 'no-store, no-transform');
    try {
      await pipeline(meter.lines(gone.signal), response);
    } catch (error) {
      if (!gone.signal.aborted) throw error;
    }
  });
  return routes;
}

/** What is asked of this door. */
export const METER_ASKED = { change };
