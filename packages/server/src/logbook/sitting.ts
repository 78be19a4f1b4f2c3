/** Changes that follow each other within this time are one entry: a builder types "1", "12", "120". */
export const ONE_SITTING = '10 minutes';
