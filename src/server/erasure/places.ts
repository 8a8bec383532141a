/** What tables are, as people say it: where somebody was named. */
const PLACES: Readonly<Record<string, readonly string[]>> = {
  'the lists of people': [
    ...['person', 'sub', 'supplier', 'office', 'neighbour', 'job', 'licence', 'invitation', 'sign_in', 'second_factor'],
  ],
  'records of walks': [
    ...[
      'walk',
      'observation',
      'standing',
      'narration',
      'narration_reading',
      'client_item',
      'sign_off',
      'dropped_draft',
    ],
    ...['site_close_down', 'handed_over', 'finding', 'close_in_sign', 'purchased'],
  ],
  'letters and news': [
    ...[
      'message',
      'job_update',
      'share_link',
      'link_answer',
      'question',
      'draft_line',
      'done_word',
      'told',
      'reminder',
    ],
  ],
  plans: [
    ...['plan', 'plan_part', 'plan_move', 'plan_mark', 'plan_problem', 'plan_search', 'walk_plan', 'calendar_event'],
  ],
  'the diary of what was done': ['command_log', 'command_inverse'],
};

const OF_TABLE = new Map(Object.entries(PLACES).flatMap(([place, tables]) => tables.map((table) => [table, place])));

export const placeOf = (table: string): string => OF_TABLE.get(table) ?? 'what was agreed, chosen, asked and bought';
