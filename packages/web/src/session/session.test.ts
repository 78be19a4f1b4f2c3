import { markStep } from '@zubric/core/assembly';
import { newBuild, type Build } from '@zubric/core/vehicle';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isUnsettled, nextSession, openSession, type Session, type SessionEvent } from './session.ts';

const gull = newBuild('Gull');
const purpose = (text: string, at = 0): SessionEvent => ({
  type: 'edited',
  edit: (build: Build) => ({ ...build, purpose: text }),
  at,
});
const run = (
  events: readonly SessionEvent[],
  from: Session = openSession({ document: gull, version: 1 }),
): Session => events.reduce(nextSession, from);
const sent = (session: Session): Session => nextSession(session, { type: 'sent', build: session.build });

describe('a session', () => {
  it('is saved once what was sent is confirmed', () => {
    const waiting = run([purpose('tug')]);
    expect(waiting.save).toBe('waiting');
    const saved = nextSession(sent(waiting), { type: 'confirmed', version: 2 });
    expect(saved).toMatchObject({ save: 'saved', version: 2, sending: null });
    expect(saved.confirmed).toBe(saved.build);
  });

  it('waits again where an edit came while a save was on its way', () => {
    const typing = nextSession(sent(run([purpose('tug')])), purpose('tugboat'));
    const after = nextSession(typing, { type: 'confirmed', version: 2 });
    expect(after.save).toBe('waiting');
    expect(after.confirmed.purpose).toBe('tug');
    expect(after.build.purpose).toBe('tugboat');
  });

  it('keeps the edit when the server is away, and when it refuses', () => {
    const away = nextSession(sent(run([purpose('tug')])), { type: 'unreachable', message: 'away' });
    expect(away).toMatchObject({ save: 'offline', message: 'away' });
    expect(away.build.purpose).toBe('tug');
    const refused = nextSession(sent(run([purpose('tug')])), { type: 'refused', message: 'name: too short' });
    expect(refused.build.purpose).toBe('tug');
    expect(nextSession(refused, purpose('tugs')).save).toBe('waiting');
  });

  it('shows a conflict, difference by difference, until the builder chooses', () => {
    const theirs = { ...gull, purpose: 'theirs', readyBy: '2027-05-01' };
    const conflict = nextSession(sent(run([purpose('mine')])), {
      type: 'conflicted',
      build: theirs,
      version: 5,
    });
    expect(conflict.theirs?.contested.map(({ key, by }) => [key, by])).toEqual([
      ['purpose', 'both'],
      ['readyBy', 'theirs'],
    ]);
    expect(nextSession(conflict, purpose('mine too')).save).toBe('conflict');
    const chosen = { ...theirs, purpose: 'mine' };
    const merged = nextSession(conflict, { type: 'merged', build: chosen, at: 0 });
    expect(merged).toMatchObject({ save: 'waiting', version: 5, theirs: null, build: chosen });
    // Mine is one step back.
    expect(nextSession(merged, { type: 'undo' }).build.readyBy).toBeNull();
  });

  it('sets an edit that was left beside mine while a save is on its way, and sends from the version it then has', () => {
    const left = { ...gull, purpose: 'left behind' };
    const beside = nextSession(sent(run([purpose('mine')])), { type: 'offered', build: left, base: gull });
    expect(beside.save).toBe('conflict');
    expect(beside.theirs?.contested.map(({ key }) => key)).toEqual(['purpose']);
    const confirmed = nextSession(beside, { type: 'confirmed', version: 2 });
    // It stays to be chosen; what was sent is confirmed all the same.
    expect(confirmed).toMatchObject({ save: 'conflict', version: 2 });
    const merged = nextSession(confirmed, { type: 'merged', build: left, at: 0 });
    expect(merged).toMatchObject({ save: 'waiting', version: 2, theirs: null });
    expect(merged.confirmed.purpose).toBe('mine');
    // One that says nothing else is not asked about.
    expect(nextSession(merged, { type: 'offered', build: left, base: gull })).toBe(merged);
  });

  it('keeps mine where both changed, also once mine is saved: a left edit is set against what it started from', () => {
    const saved = nextSession(sent(run([purpose('mine')])), { type: 'confirmed', version: 2 });
    const left = { ...gull, purpose: 'left behind' };
    const beside = nextSession(saved, { type: 'offered', build: left, base: gull });
    expect(beside.theirs?.contested).toMatchObject([{ key: 'purpose', by: 'both' }]);
  });

  it('is gone until it is put back, whatever is typed meanwhile', () => {
    const gone = nextSession(sent(run([purpose('mine')])), { type: 'gone' });
    expect(nextSession(gone, purpose('more'))).toMatchObject({ save: 'gone', sending: null });
    expect(nextSession(nextSession(gone, purpose('more')), { type: 'returned' }).save).toBe('waiting');
    const open = openSession({ document: gull, version: 1 });
    expect(nextSession(open, { type: 'returned' })).toBe(open);
  });

  it('asks nothing where they changed nothing, and sends again from their version', () => {
    const again = nextSession(sent(run([purpose('mine')])), { type: 'conflicted', build: gull, version: 5 });
    expect(again).toMatchObject({ save: 'waiting', version: 5, theirs: null });
    expect(again.build.purpose).toBe('mine');
  });

  it('does nothing where an edit changes nothing', () => {
    const open = openSession({ document: gull, version: 1 });
    expect(nextSession(open, { type: 'edited', edit: (b) => b, at: 0 })).toBe(open);
    expect(nextSession(open, { type: 'merged', build: gull, at: 0 })).toBe(open);
    expect(nextSession(open, { type: 'undo' })).toBe(open);
  });

  it('takes up a draft where it was left', () => {
    const draft = { ...gull, purpose: 'draft' };
    expect(openSession({ document: gull, version: 3, draft })).toMatchObject({
      save: 'waiting',
      version: 3,
      build: draft,
      confirmed: gull,
    });
  });

  it('never loses what is on screen to anything but the builder’s own choice', () => {
    const events = fc.constantFrom<'edit' | 'send' | 'confirm' | 'away' | 'refuse' | 'conflict' | 'keep'>(
      'edit',
      'send',
      'confirm',
      'away',
      'refuse',
      'conflict',
      'keep',
    );
    fc.assert(
      fc.property(fc.array(events, { maxLength: 40 }), (names) => {
        let session = openSession({ document: gull, version: 1 });
        let shown = gull.purpose;
        names.forEach((name, n) => {
          if (name === 'edit') shown = `edit ${n}`;
          const event: SessionEvent =
            name === 'edit'
              ? purpose(shown, n * 10_000)
              : name === 'send'
                ? { type: 'sent', build: session.build }
                : name === 'confirm'
                  ? { type: 'confirmed', version: session.version + 1 }
                  : name === 'away'
                    ? { type: 'unreachable', message: '' }
                    : name === 'refuse'
                      ? { type: 'refused', message: '' }
                      : name === 'conflict'
                        ? { type: 'conflicted', build: { ...gull, purpose: 'theirs' }, version: 99 }
                        : { type: 'merged', build: session.build, at: 0 };
          session = nextSession(session, event);
          expect(session.build.purpose).toBe(shown);
          if (session.save === 'saved') expect(session.confirmed).toBe(session.build);
        });
      }),
    );
  });
});

describe('a build that others work on too', () => {
  const start = openSession({ document: newBuild('Gull'), version: 3 });
  const later = { ...newBuild('Gull'), purpose: 'changed elsewhere' };

  it('is taken over as it was saved there, while nothing here is unsaved', () => {
    const next = nextSession(start, { type: 'adopted', build: later, version: 4 });
    expect(next).toMatchObject({ version: 4, save: 'saved', build: later, confirmed: later });
    // What comes late, or is no later, is not taken.
    expect(nextSession(next, { type: 'adopted', build: newBuild('Gull'), version: 4 })).toBe(next);
  });

  it('is left alone where something is unsaved: then the server asks at the next save', () => {
    const edited = nextSession(start, { type: 'edited', edit: (b) => ({ ...b, purpose: 'mine' }), at: 1 });
    expect(nextSession(edited, { type: 'adopted', build: later, version: 4 })).toBe(edited);
    expect(isUnsettled(edited)).toBe(true);
    expect(isUnsettled(start)).toBe(false);
  });

  it('has what was recorded by a door of its own at once, with nothing to save', () => {
    const note = (b: Build): Build => markStep(b, 'frame', { doneOn: '2026-12-01' });
    const noted = nextSession(start, { type: 'noted', note });
    expect(noted.build.assembly.steps).toMatchObject([{ id: 'frame', doneOn: '2026-12-01' }]);
    expect(noted.confirmed.assembly.steps).toEqual(noted.build.assembly.steps);
    expect(noted.save).toBe('saved');
  });

  it('goes back to what is kept where it was only tried', () => {
    const tried = nextSession(start, { type: 'edited', edit: (b) => ({ ...b, purpose: 'tried' }), at: 1 });
    expect(nextSession(tried, { type: 'reverted' })).toMatchObject({ build: start.build, save: 'saved' });
  });
});
