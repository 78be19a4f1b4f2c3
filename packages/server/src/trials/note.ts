import { diagnosisOf, protocolOf, resultOfSet } from '@zubric/core/protocols';
import { inUnits } from '@zubric/core/quantity';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { logEntryEntity, trialEntity, trialSetEntity, type TrialSetRow } from '../database/entities.ts';

const ID_LENGTH = 12;

/** What the steps of a search for a cause did, one a line: the evidence of what was decided. */
function evidenceOf({ protocol, conditions }: TrialSetRow, readings: readonly TrialSetRow['conditions'][]) {
  if (protocol !== 'diagnosis') return '';
  return diagnosisOf(conditions, readings)
    .made.map(
      ({ title, verdict, first, share }) =>
        `${title}${verdict ? `: ${verdict}` : ''}. Then first: ${first}, ${Math.round(100 * share)} %.`,
    )
    .join('\n');
}

/** Tells the logbook of a set of trials: one entry, said anew as its runs come in; none before the first. */
export async function noteTrial(manager: EntityManager, setId: string, byName: string): Promise<void> {
  const set = await manager.getRepository(trialSetEntity).findOneBy({ id: setId });
  if (!set || set.invented) return;
  const trials = await manager
    .getRepository(trialEntity)
    .find({ where: { trialSetId: setId }, order: { ordinal: 'ASC' } });
  const { says } = resultOfSet({ ...set, trials });
  const readings = trials.map(({ reading }) => reading);
  const entries = manager.getRepository(logEntryEntity);
  const entry = {
    title: `${set.name}: ${inUnits(says, 'metric')}`,
    changes: [
      `${protocolOf(set.protocol).title}, ${trials.length} ${trials.length === 1 ? 'run' : 'runs'}`,
      ...evidenceOf(set, readings).split('\n').filter(Boolean),
    ],
    endedAt: new Date(),
  };
  const { affected } = await entries.update({ trialSetId: setId }, entry);
  if (affected !== 0 || trials.length === 0) return;
  await entries.insert({
    ...entry,
    ...{ id: nanoid(ID_LENGTH), buildId: set.buildId, kind: 'trial', trialSetId: setId, byName },
    begunAt: set.createdAt,
  });
}
