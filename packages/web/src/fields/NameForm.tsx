import { useId, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';

interface Props {
  readonly label: string;
  readonly button: string;
  /** Said where no name is given. */
  readonly missing: string;
  /** How the form itself is called. */
  readonly title: string;
  /** What stands there to begin with. */
  readonly start?: string;
  /** Keeps the name where it fails; without it, what was named is done and the field is empty again. */
  readonly onSubmit: (name: string) => Promise<unknown>;
  readonly disabled?: boolean;
  /** Why the last one was refused. */
  readonly problem?: string | undefined;
  readonly className?: string;
  readonly mainButton?: boolean;
  /** Other fields beside the name, before the button. */
  readonly children?: ReactNode;
  /** Said below where nothing is wrong. */
  readonly help?: ReactNode;
}

/** A name and a button: a new build, a snapshot, a line. Blanks round it are left out. */
export function NameForm({
  label,
  button,
  missing,
  title,
  start = '',
  onSubmit,
  disabled,
  problem,
  className,
  mainButton,
  children,
  help,
}: Props) {
  const id = useId();
  const { register, handleSubmit, reset, formState } = useForm({ defaultValues: { name: start } });
  const wrong = formState.errors.name?.message ?? problem;
  const submit = handleSubmit(async ({ name }) => {
    await onSubmit(name.trim()).then(
      () => reset(),
      // Whoever asked tells why, by `problem`.
      () => undefined,
    );
  });
  return (
    <form className={className} onSubmit={(event) => void submit(event)} noValidate aria-label={title}>
      <div className="flex flex-wrap items-end gap-3">
        <div className="relative min-w-40 flex-1">
          <label htmlFor={id} className="block text-[14px] text-soft">
            {label}
          </label>
          <input
            id={id}
            className="entry"
            maxLength={120}
            autoComplete="off"
            data-own-undo
            aria-invalid={formState.errors.name !== undefined}
            aria-describedby={wrong === undefined ? undefined : `${id}-problem`}
            {...register('name', { validate: (name) => name.trim() !== '' || missing })}
          />
        </div>
        {children}
        <button
          type="submit"
          className={`push ${mainButton ? 'push-main' : ''}`}
          disabled={disabled === true || formState.isSubmitting}
        >
          {button}
        </button>
      </div>
      {wrong === undefined ? (
        help
      ) : (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-[14px] text-short">
          {wrong}
        </p>
      )}
    </form>
  );
}
