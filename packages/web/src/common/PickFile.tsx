import { useRef } from 'react';

interface Props {
  /** What the file is, for who cannot see. */
  readonly label: string;
  /** Endings of its name, with commas. */
  readonly accept: string;
  readonly disabled?: boolean;
  readonly className?: string;
  readonly onPick: (file: File) => void;
  readonly children: React.ReactNode;
}

/** A button that asks for a file; the same file may be picked again. */
export function PickFile({
  label,
  accept,
  disabled = false,
  className = 'push push-small',
  onPick,
  children,
}: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        className="hidden"
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onPick(file);
          event.target.value = '';
        }}
      />
      <button type="button" {...{ className, disabled }} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  );
}
