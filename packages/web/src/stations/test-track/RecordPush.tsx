import { useMutation } from '@tanstack/react-query';

interface Props {
  readonly label: string;
  readonly record: () => Promise<unknown>;
  /** What is said once it is recorded. */
  readonly done: React.ReactNode;
  readonly onDone?: () => unknown;
}

/** A push that records something once, and says where it is then. */
export function RecordPush({ label, record, done, onDone }: Props) {
  const make = useMutation({ mutationFn: record, retry: false, onSuccess: () => onDone?.() });
  return (
    <p className="flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="push"
        disabled={make.isPending || make.isSuccess}
        onClick={() => make.mutate()}
      >
        {label}
      </button>
      {make.isSuccess && <span role="status">{done}</span>}
      {make.isError && (
        <span role="alert" className="text-short">
          {make.error.message}
        </span>
      )}
    </p>
  );
}
