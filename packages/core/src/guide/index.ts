export type { GuidePage, WorkedExample } from './page.ts';
export { GUIDE } from './pages.ts';
