interface Props {
  /** What is missing: "Whole teeth". */
  readonly what: string;
  readonly why: string;
}

/** Said where work beside the screen failed. */
export const NotWorkedOut = ({ what, why }: Props) => (
  <p role="status" className="mt-2 text-[14px] text-soft">
    {what} could not be worked out: {why}. It is tried again at the next edit.
  </p>
);
