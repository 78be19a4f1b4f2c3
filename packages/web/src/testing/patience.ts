import { configure } from '@testing-library/react';

/** What is fetched when it is first wanted comes a moment later, on a slow machine a long one. */
configure({ asyncUtilTimeout: 15_000 });
