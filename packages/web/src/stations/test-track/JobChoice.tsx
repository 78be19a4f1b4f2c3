import type { Duty } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (dutyId: string) => void;
}

/** One of the build's jobs. */
export function JobChoice({ label, value, onChange }: Props) {
  const { build } = useBuild();
  const options = build.duties.map(({ id, name }: Duty) => ({ value: id, title: name }));
  return <Choice {...{ label, value, options, onChange }} className="w-64" />;
}
