import type { ReadOutline } from '@zubric/core/exchange';
import { drawnOutline, type Shell } from '@zubric/core/vehicle';
import { useMutation } from '@tanstack/react-query';
import { PickFile } from '../../common/PickFile.tsx';
import { useSay } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly onChange: (values: Partial<Shell>) => void;
}

const over = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** The body's outline from a drawing: laid about the middle of what it stands on, ahead to the drawing's right. */
export function OutlineFromDrawing({ onChange }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const read = useMutation({
    mutationFn: async (file: File): Promise<ReadOutline> => {
      const { outlineFromDxf } = await import('@zubric/core/exchange');
      return outlineFromDxf(await file.text());
    },
    onSuccess: ({ corners }) => onChange({ outline: drawnOutline(build, corners) }),
    retry: false,
  });
  const { data } = read;
  return (
    <div>
      <PickFile
        label="Drawing of the body"
        accept=".dxf"
        disabled={read.isPending}
        onPick={(file) => read.mutate(file)}
      >
        Bring in a drawing (DXF) …
      </PickFile>
      {data && (
        <p role="status" className="text-[14px] text-soft">
          {say(over(data.corners.map(({ aheadM }) => aheadM)), 'length')} long,{' '}
          {say(over(data.corners.map(({ leftM }) => leftM)), 'length')} wide, {data.corners.length} corners;
          ahead is the drawing’s right.{' '}
          {data.saysUnit ? '' : `It does not say its unit: taken for ${data.unit}.`}
        </p>
      )}
      {read.isError && (
        <p role="alert" className="text-[14px] text-short">
          {read.error.message}
        </p>
      )}
    </div>
  );
}
