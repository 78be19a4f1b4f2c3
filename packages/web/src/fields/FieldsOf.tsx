import { createContext, useContext, type ReactNode } from 'react';

const Whose = createContext<string | undefined>(undefined);

/** Fields inside are told apart by ear from the same ones elsewhere on the page: their labels end with whose they are. */
export const FieldsOf = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <Whose value={name}>{children}</Whose>
);

export const useFieldsOf = (): string | undefined => useContext(Whose);
