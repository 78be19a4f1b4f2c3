import type { Part, PartKind } from '@zubric/core/vehicle';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';
import { PartForm } from './PartForm.tsx';
import { newDraft } from './part-draft.ts';

interface Props {
  readonly kind: PartKind;
  readonly onClose: () => void;
  readonly onKept: (part: Part) => void;
}

/** A new part, given its id where it is kept. */
const keepNew = ({ id: _none, ...part }: Part): Promise<Part> => api.createPart(part);

/** A part of the builder's own, written down in place. */
export const OwnPart = ({ kind, onClose, onKept }: Props) => (
  <Panel title={`A ${kind} of your own`} onClose={onClose} wide>
    <PartForm draft={newDraft(kind)} keep={keepNew} onKept={onKept} />
  </Panel>
);
