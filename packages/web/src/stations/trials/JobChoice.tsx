import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly value: string | undefined;
  readonly onChange: (value: string | undefined) => void;
  readonly className?: string;
}

/** Which job of the build a trial is like: its ground and its load; none to choose where there is but one. */
export function JobChoice({ value, onChange, className }: Props) {
  const { build } = useBuild();
  const [first, ...others] = build.duties;
  if (!first || others.length === 0) return null;
  return (
    <Choice
      label="Like which job: its ground and load"
      value={value ?? first.id}
      options={build.duties.map(({ id, name }) => ({ value: id, title: name }))}
      onChange={onChange}
      {...(className === undefined ? {} : { className })}
    />
  );
}
