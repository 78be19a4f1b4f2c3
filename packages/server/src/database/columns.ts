/** A column of text. */
export const text = { type: 'text' } as const;
/** When a row was made. */
export const created = { type: 'timestamptz', name: 'created_at', createDate: true } as const;
/** The build that a row belongs to. */
export const ofBuild = { ...text, name: 'build_id' } as const;
/** A moment that the database sets where none is given. */
export const stamped = (name: string) => ({ type: 'timestamptz', name, default: () => 'now()' }) as const;
