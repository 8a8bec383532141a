import { execute, orNull } from '../database/query';
import { handlers } from '../door/handler';
import { trustClock } from '../house-clock';

/** How the house is kept: what is let go of, and by whose clock. */
export const upkeepHandlers = handlers({
  'firm.set-retention': (context, { recordings, origins, neighbours }) =>
    void execute(
      context.db,
      'UPDATE firm SET keep_recordings = @recordings, keep_origins = @origins, keep_neighbours = @neighbours',
      { recordings: orNull(recordings), origins: orNull(origins), neighbours: orNull(neighbours) },
    ),
  'clock.trust': (context) => trustClock(context.db, context.now),
});
