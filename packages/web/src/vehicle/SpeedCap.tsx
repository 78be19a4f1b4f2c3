import { SchemaField } from '../fields/SchemaField.tsx';
import { useBuild } from '../session/BuildSession.tsx';

/** How fast the build that is open may go at most, whatever it could. */
export function SpeedCap() {
  const { build, edit } = useBuild();
  return (
    <SchemaField
      part="build"
      field="speedCap"
      value={build.speedCap}
      onChange={(speedCap) => edit((b) => ({ ...b, speedCap }))}
      onClear={() => edit(({ speedCap: _none, ...b }) => b)}
    />
  );
}
