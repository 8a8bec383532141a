import type { Task } from './network';

/** Work on whose day somebody relies: it has not begun, and somebody comes for it. */
export const isVisit = (task: Pick<Task, 'crew' | 'duration' | 'state'>): boolean =>
  task.crew !== null && task.duration > 0 && task.state === 'waiting';
