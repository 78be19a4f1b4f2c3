import { useMutation } from '@tanstack/react-query';
import type { BuildLine } from '@zubric/core/answers';
import { api } from '../common/api.ts';

interface Props {
  readonly build: BuildLine;
  readonly onMended: () => void;
  readonly onClose: () => void;
}

/** A file that takes the place of a build that cannot be opened; its logbook stays. */
export function MendBuild({ build, onMended, onClose }: Props) {
  const mend = useMutation({
    mutationFn: async (file: File) => {
      const { readBuildFiles } = await import('./read-files.ts');
      const [read] = await readBuildFiles([file]);
      if (!read?.ok)
        throw new Error(
          `${file.name} cannot take its place: ${read?.problems[0]?.message ?? 'it holds no build'}`,
        );
      await api.saveBuild(build.id, read.build, build.version);
    },
    onSuccess: onMended,
  });
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3 border border-edge bg-field px-4 py-2">
      <label>
        A mended file in the place of “{build.name}”{' '}
        <input
          type="file"
          accept=".json,application/json"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) mend.mutate(file);
          }}
        />
      </label>
      <button type="button" className="push push-small" onClick={onClose}>
        Leave it
      </button>
      {mend.error && (
        <p role="alert" className="w-full text-short">
          {mend.error.message}
        </p>
      )}
    </div>
  );
}
