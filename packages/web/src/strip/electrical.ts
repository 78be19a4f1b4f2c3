import { linkDefinition, type LinkReport } from '@zubric/core/judge';

const ELECTRICAL = new Set(['current', 'voltage', 'energy']);

/** Whether a link is of the electrical side: drawn in the other colour. */
export const isElectrical = ({ link }: Pick<LinkReport, 'link'>): boolean =>
  ELECTRICAL.has(linkDefinition(link).dimension);
