import { newBuild } from '@zubric/core/vehicle';
import { act, fireEvent } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, Refusal, type SeenRequest } from '../../testing/answers.ts';
import { setOf, q } from '../../testing/one-set.tsx';
import { fieldCalled, onBench, text } from '../../testing/on-bench.tsx';
import { SetConditions } from './SetConditions.tsx';

const set = setOf('straight-run', { commanded: q(3, 'm') });
const enter = (label: string | RegExp, value: string): void => {
  fireEvent.change(fieldCalled(label), { target: { value } });
};
const later = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
/** A server that takes the set, or says why not, once for each answer. */
function serving(...answers: readonly (() => unknown)[]): SeenRequest[] {
  let n = 0;
  return answering({
    'PUT /api/trial-sets/s1': () => {
      const answer = answers[Math.min(n, answers.length - 1)];
      n += 1;
      return answer?.();
    },
  });
}
const taken = () => ({ id: 's1', version: 2 });

beforeEach(() => void vi.useFakeTimers());

describe('the conditions of a set', () => {
  it('are saved once a moment after they are typed, with its name, as of the version they were read', async () => {
    const asked = serving(taken);
    onBench(<SetConditions set={set} />, newBuild('Gull'));
    enter('Set', 'Hall floor');
    enter('Floor', 'boar');
    await later(300);
    enter('Floor', 'boards');
    expect(asked).toEqual([]);
    await later(600);
    expect(asked).toHaveLength(1);
    expect(asked[0]).toMatchObject({
      version: '"1"',
      body: { name: 'Hall floor', conditions: { floor: 'boards', commanded: { value: 3 } } },
    });
    await later(5000);
    expect(asked).toHaveLength(1);
  });

  it('are of a class or none, with a note; what is emptied is left away', async () => {
    const asked = serving(taken);
    onBench(<SetConditions set={set} />, newBuild('Gull'));
    enter(/^Class or club/, 'Year nine');
    enter('Note', 'Damp.');
    await later(600);
    expect(asked.at(-1)?.body).toMatchObject({ conditions: { group: 'Year nine', note: 'Damp.' } });
    expect(text()).toContain('of “Year nine”: conditions of the set');
    enter(/^Class or club/, ' ');
    await later(600);
    const last = asked.at(-1)?.body as { conditions: object } | undefined;
    expect(last?.conditions).toBeDefined();
    expect(last?.conditions).not.toHaveProperty('group');
  });

  it('are sent again where the server was away, and not again where it will not have them', async () => {
    const asked = serving(
      () => new Refusal(503, 'Away.'),
      () => new Refusal(422, 'The floor is too long.'),
    );
    onBench(<SetConditions set={set} />, newBuild('Gull'));
    enter('Floor', 'boards');
    await later(600);
    expect(text()).toContain('Not saved yet: Away.');
    await later(2100);
    expect(text()).toContain('Not saved yet: The floor is too long.');
    await later(20_000);
    expect(asked).toHaveLength(2);
    // Typed anew it is tried anew, and what was typed is still there.
    enter('Floor', 'board');
    await later(600);
    expect(asked).toHaveLength(3);
    expect((fieldCalled('Floor') as HTMLTextAreaElement).value).toBe('board');
  });
});
