interface Props {
  readonly heads: readonly string[];
  readonly children: React.ReactNode;
}

/** A small table on a sheet, its heads in plain words. */
export const HeadedTable = ({ heads, children }: Props) => (
  <div className="overflow-x-auto">
    <table className="sheet w-full text-left">
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head} scope="col" className="px-3 py-1 font-normal text-soft">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  </div>
);
