import { cautionsOf } from '@zubric/core/say';
import { Caution, Findings } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { later } from '../../session/later.tsx';
import { AimsForm } from './AimsForm.tsx';
import { GroundTable } from './GroundTable.tsx';
import { LayoutForm } from './LayoutForm.tsx';
import { VehicleForm } from './VehicleForm.tsx';

const Vehicle = later(VehicleForm);
const Found = later(Findings);
const Grounds = later(GroundTable);
const Aims = later(AimsForm);

/** The vehicle itself, what was found and what it is all measured against: below the duties, fetched after them. */
export function BriefVehicle() {
  const { build } = useBuild();
  return (
    <>
      <LayoutForm />
      <div className="grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_430px]">
        <Vehicle />
        <div className="grid content-start gap-4">
          <Found empty="Nothing so far: every margin is ample." />
          <Grounds />
          <Aims />
          {cautionsOf(build).map((text) => (
            <Caution key={text}>{text}</Caution>
          ))}
        </div>
      </div>
    </>
  );
}
