import type { Rows } from '../database/rows';
import { OF_JOBS, rowsOf } from './reading';

/** Heights that were marked, the highest first. */
export const levelMarkRows = rowsOf<Rows['level_mark']>(
  `SELECT * FROM level_mark WHERE job ${OF_JOBS} AND removed = 0 ORDER BY mm DESC`,
);

/** Walls that two rooms share, as each of the two has them. */
export const sharedWallRows = rowsOf<Rows['shared_wall'] & { job: string }>(
  `SELECT shared_wall.*, area.job
    FROM shared_wall
    JOIN area ON area.id = shared_wall.one
    WHERE area.job ${OF_JOBS}
    ORDER BY one_wall`,
);
