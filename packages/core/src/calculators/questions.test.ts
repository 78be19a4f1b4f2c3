/** What people type, and the sums that they come for. */
import { describe, expect, it } from 'vitest';
import { CALCULATORS, questionsByTopic, questionsFor, searchedText } from './index.ts';

const found = (text: string): string[] =>
  questionsFor(text).flatMap(({ questions }) => questions.map(({ name }) => name));

describe('a question that is looked for', () => {
  it.each([
    ['how far', 'travel-counts'],
    ['calibrate', 'effective-diameter'],
    ['wheel turns', 'travel-counts'],
    ['run time', 'run-time'],
    ['stall', 'full-command'],
    ['mph', 'attainable-speed'],
    ['brake', 'stopping'],
    ['braking heat', 'braking-heat'],
    ['gearbox', 'train-ratio'],
    ['bicycle sprocket', 'chain-drive'],
    ['hill', 'grip-limited-grade'],
    ['kerb', 'obstacle-climb'],
    ['overheat', 'motor-heat'],
    ['battery life', 'run-time'],
    ['AWG', 'wire-choice'],
    ['magnets', 'magnet-ring'],
    ['winch', 'spool'],
    ['What does the belt slip', 'friction-belt'],
  ])('“%s” finds %s', (text, name) => {
    expect(found(text)).toContain(name);
  });

  it('that says it itself comes before what only has to do with it', () => {
    expect(found('run time')[0]).toBe('run-time');
    expect(found('planetary')[0]).toBe('planetary');
    expect(questionsFor('how far')[0]?.title).toBe('How far did it go?');
    expect(found('how far')[0]).toBe('travel-counts');
  });

  it('is every one where nothing is asked, each once, and none where none has the words', () => {
    expect(found('  ')).toHaveLength(CALCULATORS.length);
    expect(new Set(found(''))).toEqual(
      new Set(questionsByTopic().flatMap(({ questions }) => questions.map(({ name }) => name))),
    );
    expect(found('zeppelin')).toEqual([]);
  });

  it('is found by every word of its own question and title', () => {
    for (const { name, asks, title } of CALCULATORS) {
      expect(found(asks), asks).toContain(name);
      expect(found(title), title).toContain(name);
    }
  });

  it('is searched by what goes in and comes out', () => {
    const runTime = CALCULATORS.find(({ name }) => name === 'run-time');
    expect(runTime && searchedText(runTime)).toContain('peukert exponent');
    expect(found('Peukert')).toContain('run-time');
  });
});
