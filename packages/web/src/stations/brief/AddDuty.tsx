import { dutyFrom, dutyTemplatesFor, freeId } from '@zubric/core/vehicle';
import { useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** A duty of a kind to start from; its numbers wait for the builder's own. */
export function AddDuty() {
  const { build, edit } = useBuild();
  const templates = dutyTemplatesFor(build);
  const [kind, setKind] = useState(templates[0]?.id ?? '');
  const template = templates.find(({ id }) => id === kind) ?? templates[0];
  if (!template) return null;
  return (
    <div className="flex flex-wrap items-end gap-3 px-2 py-2">
      <Choice
        label="Kind of job"
        hideLabel
        className="w-52"
        value={template.id}
        options={templates.map(({ id, title }) => ({ value: id, title }))}
        onChange={setKind}
      />
      <button
        type="button"
        className="push"
        disabled={build.duties.length >= 40}
        onClick={() =>
          edit((b) => ({ ...b, duties: [...b.duties, dutyFrom(b, template, freeId('duty', b.duties))] }))
        }
      >
        Add a job
      </button>
    </div>
  );
}
