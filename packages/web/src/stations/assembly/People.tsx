import { addHelper, changeHelper, removeHelper } from '@zubric/core/assembly';
import { Trash2 } from 'lucide-react';
import { NameForm } from '../../fields/NameForm.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { DayButtons } from './DayButtons.tsx';

const MOST_PRINTERS = 20;

/** Who else builds and when, and how many printers there are. */
export function People() {
  const { build, edit } = useBuild();
  const { helpers = [], printers = 1 } = build.assembly;
  const prints = build.arrangement?.parts.some(({ printed }) => printed) === true;
  return (
    <section className="grid gap-2" aria-label="Who builds">
      {helpers.map((helper) => (
        <div key={helper.id} className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <TextField
            className="w-44"
            label="Helper"
            value={helper.name}
            maxLength={60}
            required="Give a name."
            onChange={(name) => edit((b) => changeHelper(b, helper.id, { name }))}
          />
          <SchemaField
            className="w-32"
            part="helper"
            field="hoursADay"
            whose={helper.name}
            value={helper.hoursADay}
            onChange={(hoursADay) => edit((b) => changeHelper(b, helper.id, { hoursADay }))}
          />
          <DayButtons
            label={`Working days of ${helper.name}`}
            days={helper.workDays}
            onChange={(workDays) => edit((b) => changeHelper(b, helper.id, { workDays }))}
          />
          <button
            type="button"
            className="push min-h-10"
            aria-label={`Remove ${helper.name}`}
            onClick={() => edit((b) => removeHelper(b, helper.id))}
          >
            <Trash2 size={17} aria-hidden />
          </button>
        </div>
      ))}
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <NameForm
          title="Another helper"
          label="Somebody who helps"
          button="Add a helper"
          missing="Give a name first."
          onSubmit={(name) => Promise.resolve(edit((b) => addHelper(b, name)))}
        />
        {prints && (
          <Stepper
            label="Printers"
            value={printers}
            least={1}
            most={MOST_PRINTERS}
            onChange={(n) => edit((b) => ({ ...b, assembly: { ...b.assembly, printers: n } }))}
          />
        )}
      </div>
    </section>
  );
}
