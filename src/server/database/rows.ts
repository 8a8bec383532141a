// Made from the migrations by `npm run rows`; a test holds it to them.
import type { Phase } from '@/core/sequence/phases';
import type { AreaId, JobId, WalkId, SelectionId, RequestId, PersonId, SubId, SupplierId, TaskId } from '@/core/ids';
import type { Trade } from '@/core/sequence/trades';
import type { MethodKey } from '@/core/sequence/methods';
import type { Measure } from '@/core/layout/measures';

/** A row of each table and view, as SQLite gives it back. */
export interface Rows {
  area: {
    id: AreaId;
    job: JobId;
    level: string | null;
    name: string;
    kind: 'room' | 'wet' | 'face' | 'roof' | 'ground' | 'outbuilding';
    position: number;
    works: string;
    size: number;
    passage: 0 | 1;
    lived_in: 0 | 1;
    provides: string;
    shelters: string;
    version: number;
    side: string;
    sleeping: 0 | 1;
    called: string;
  };
  area_merged: {
    id: string;
    job: JobId;
    name: string;
    into_area: string;
    records: string;
  };
  assembly: {
    id: string;
    job: JobId;
    area: AreaId;
    kind: string;
    title: string;
    answers: string;
    fed: string;
    cautions: string;
    removed: 0 | 1;
    version: number;
  };
  assumption: {
    id: string;
    job: JobId;
    area: AreaId;
    phase: Phase;
    text: string;
    why: string;
    fallback: string;
    fallback_trade: Trade;
    fallback_half_days: number;
    fallback_price: number;
    state: 'open' | 'held' | 'wrong';
    found: string;
    settled_at: string | null;
    settled_by: string | null;
    settled_walk: string | null;
    removed: 0 | 1;
    version: number;
    sure: number | null;
    signs: string;
  };
  attachment: {
    id: string;
    job: JobId;
    area: AreaId | null;
    request: RequestId | null;
    kind: 'drawing' | 'permit' | 'instructions' | 'other';
    name: string;
    pdf: string;
    added_at: string;
    added_by: string | null;
    removed: 0 | 1;
    version: number;
  };
  baseline: {
    id: string;
    job: JobId;
    name: string;
    made_at: string;
    origin: string;
    finish_day: string | null;
    tasks: string;
  };
  beside: {
    one: string;
    other: string;
    opens: 0 | 1;
  };
  busy: {
    sub: SubId;
    day: string;
    half: 0 | 1;
    words: string;
  };
  busy_source: {
    sub: SubId;
    name: string;
    events: number;
    read_at: string;
  };
  calculation: {
    id: string;
    job: JobId;
    area: AreaId;
    scope_item: string | null;
    calculator: string;
    product: string;
    input: string;
    fed: string;
    output: string | null;
    purchases: string;
    problem: string | null;
    unit_price: number | null;
    supplier: SupplierId;
    trade: Trade | null;
    phase: Phase | null;
    removed: 0 | 1;
    version: number;
    assembly: string | null;
  };
  calendar_event: {
    task: TaskId;
    job: JobId;
    sub: SubId | null;
    label: string;
    first_day: string;
    first_half: 0 | 1;
    last_day: string;
    last_half: 0 | 1;
    sequence: number;
    cancelled: 0 | 1;
    changed_at: string;
  };
  change_drop: {
    change_order: string;
    area: AreaId;
    phase: Phase;
  };
  change_line: {
    id: string;
    change_order: string;
    position: number;
    area: AreaId;
    verb: string;
    subject: string;
    quantity: number;
    unit: string;
    unit_price: number | null;
    trade: Trade | null;
    half_days: number;
    after_phase: Phase | null;
    price_only: 0 | 1;
  };
  change_order: {
    id: string;
    job: JobId;
    number: number;
    kind: 'addition' | 'omission';
    title: string;
    why: string;
    markup: number;
    tax_rate: number;
    omits: string;
    state: 'draft' | 'sent' | 'approved' | 'declined';
    finish_before: string | null;
    finish_after: string | null;
    sent_at: string | null;
    answered_at: string | null;
    answered_by: string | null;
    answer: string;
    version: number;
    assumption: string | null;
    finding: string | null;
    observation: string | null;
  };
  client_item: {
    id: string;
    job: JobId;
    area: AreaId | null;
    text: string;
    name: string;
    at: string;
    state: 'asked' | 'taken up' | 'answered';
    answer: string;
    observation: string | null;
    version: number;
  };
  close_in_sign: {
    id: string;
    job: JobId;
    area: AreaId;
    name: string;
    reason: string;
    lines: string;
    signed_at: string;
    person: PersonId | null;
    removed: 0 | 1;
    version: number;
  };
  command_inverse: {
    seq: number;
    rows: string;
    taken_back_by: string | null;
  };
  command_log: {
    seq: number;
    id: string;
    type: string;
    at: string;
    applied_at: string;
    who: string;
    job: JobId | null;
    payload: string;
    result: string;
  };
  day_away: {
    sub: SubId;
    first_day: string;
    last_day: string;
  };
  decision: {
    id: string;
    job: JobId;
    area: AreaId | null;
    subject: string;
    reason: string;
    made_at: string;
    made_by: string | null;
    removed: 0 | 1;
    version: number;
  };
  delivery: {
    id: string;
    job: JobId;
    day: string;
    half: 'morning' | 'afternoon' | null;
    place: string | null;
    place_note: string;
    protection: string;
    floor_area: number | null;
    heaviest: number | null;
    people: number | null;
    carry: string;
    state: 'planned' | 'came' | 'dropped';
    came_on: string | null;
    version: number;
  };
  done_word: {
    id: string;
    job: JobId;
    area: AreaId;
    phase: Phase;
    share_link: string;
    name: string;
    note: string;
    picture: string | null;
    standpoint: string | null;
    said_at: string;
    verdict: 'taken' | 'not yet' | null;
    settled_at: string | null;
    settled_by: string;
    answer: string;
    version: number;
  };
  draft_line: {
    job: JobId;
    audience: 'client' | 'crew' | 'neighbour';
    line: string;
    words: string;
    was: string;
    days: string;
    written_at: string;
  };
  dropped_draft: {
    narration: string;
    draft: string;
  };
  end_day: {
    job: JobId;
    day: string;
    said_at: string;
  };
  erasure: {
    id: number;
    at: string;
    person: PersonId | null;
    stand_in: string;
    places: string;
    still: number;
  };
  extra_work: {
    id: string;
    job: JobId;
    area: AreaId;
    text: string;
    trade: Trade;
    half_days: number;
    after_phase: Phase | null;
    reason: string;
    assumption: string | null;
    change_order: string | null;
    state: 'open' | 'done' | 'dropped';
    version: number;
    assembly: string | null;
    follows: string | null;
    probes: 0 | 1;
    left_for: string;
  };
  feed: {
    id: string;
    kind: 'job' | 'sub' | 'person';
    target: string;
    token_hash: string;
    made_at: string;
    closed_at: string | null;
  };
  filing: {
    observation: string;
    filed_as: 'scope' | 'finding' | 'assumption' | 'change' | 'wait' | 'selection' | 'remark';
    target: string | null;
    at: string;
    person: PersonId | null;
  };
  finding: {
    id: string;
    job: JobId;
    area: AreaId | null;
    kind:
      | 'penetration'
      | 'service'
      | 'refit'
      | 'salvage'
      | 'damage'
      | 'allowance'
      | 'site-choice'
      | 'approval'
      | 'access'
      | 'neighbour'
      | 'boundary'
      | 'animals'
      | 'parking';
    subject: string;
    quantity: number | null;
    unit: string;
    need: string;
    live: 0 | 1 | null;
    place: string;
    cause: string;
    remedy: string;
    allowed: number | null;
    unit_price: number | null;
    lead_days: number | null;
    options: string;
    removed: 0 | 1;
    version: number;
    kept: 'kept' | 'back' | 'gone';
    picture: string | null;
    answer: string;
    answered_by: string;
    answered_at: string | null;
    found: number | null;
    found_at: string | null;
    found_by: string;
    proved: 'dead' | 'kept' | null;
    proved_by: string;
    proved_on: string | null;
    trade: Trade | null;
  };
  firm: {
    id: number;
    name: string;
    town: string;
    trip_weight: number;
    zone: string | null;
    currency: string | null;
    markup: number;
    tax_rate: number;
    tax_shown: 'apart' | 'within';
    frozen_days: number;
    move_weight: number;
    trip_cost: number | null;
    tell_hour: number | null;
    tell_soon: 0 | 1;
    remind_sub_days: number | null;
    remind_client_days: number | null;
    told_on: string | null;
    demo: 0 | 1;
    keep_recordings: number | null;
    keep_origins: number | null;
    keep_neighbours: number | null;
    dates: 'en' | 'en-US' | 'da' | 'de' | 'es' | 'fr' | 'it' | 'nb' | 'nl' | 'pt' | 'sv';
    clock_hours: 12 | 24;
  };
  fixture: {
    id: string;
    area: AreaId;
    fixture: string;
    removed: 0 | 1;
    version: number;
  };
  gate: {
    id: string;
    job: JobId;
    label: string;
    reason: string;
    not_before: string | null;
    together: 0 | 1;
  };
  gate_end: {
    gate: string;
    side: 'before' | 'after';
    place: number;
    area: AreaId;
    phase: Phase;
  };
  handed_over: {
    id: string;
    job: JobId;
    area: AreaId | null;
    kind: 'code' | 'key' | 'kit' | 'manual' | 'other';
    text: string;
    at: string;
    removed: 0 | 1;
    version: number;
  };
  history: {
    id: string;
    job: JobId;
    selection: SelectionId | null;
    request: RequestId | null;
    at: string;
    who: string;
    text: string;
    desk: 0 | 1;
  };
  hold: {
    id: string;
    job: JobId;
    area: AreaId;
    phase: Phase;
    kind:
      | 'engineer'
      | 'client'
      | 'association'
      | 'authority'
      | 'inspection'
      | 'close-in'
      | 'weather'
      | 'unknown'
      | 'neighbour';
    label: string;
    text: string;
    asked_on: string | null;
    expected_on: string;
    state: 'open' | 'released';
    version: number;
  };
  holiday: {
    day: string;
    name: string;
  };
  hour_rate: {
    trade: Trade;
    per_hour: number;
  };
  house_secret: {
    id: number;
    hash: string;
  };
  inspection: {
    id: string;
    job: JobId;
    area: AreaId;
    phase: Phase;
    office: string;
    asked_on: string;
    day: string;
    half: 0 | 1;
    state: 'booked' | 'passed' | 'failed' | 'cancelled';
    words: string;
    settled_at: string | null;
    version: number;
    by: string;
    slip: string | null;
    kinds: string;
  };
  inspection_told: {
    inspection: string;
    off: 0 | 1;
    said_at: string;
  };
  invitation: {
    id: string;
    person: PersonId;
    token_hash: string;
    made_at: string;
    expires_at: string;
    used_at: string | null;
  };
  job: {
    id: JobId;
    name: string;
    address: string;
    client: string;
    client_email: string;
    units: 'metric' | 'imperial';
    state: 'lead' | 'scoping' | 'booked' | 'active' | 'completing' | 'closed';
    start_day: string;
    promise_day: string | null;
    lived_in: 0 | 1;
    loud_half: 'morning' | 'afternoon' | null;
    position: number;
    version: number;
    weight: number;
    leaves: 'evening' | 'week';
    removed: 0 | 1;
    markup: number | null;
    tax_rate: number | null;
    prices_shown: 'line' | 'area' | 'total';
    late_cost: number | null;
    site_cost: number | null;
    getting_in: string;
    example: 0 | 1;
  };
  job_task_done: {
    job: JobId;
    task: TaskId;
    done_on: string;
    by: string;
  };
  job_update: {
    id: string;
    job: JobId;
    walk: WalkId | null;
    audience: 'client' | 'crew' | 'neighbour' | 'party';
    title: string;
    body: string;
    made_at: string;
    state: 'sent' | 'dropped';
    sent_at: string | null;
    version: number;
  };
  large_piece: {
    id: string;
    job: JobId;
    area: AreaId;
    selection: SelectionId | null;
    what: string;
    kind: 'beam' | 'sheet' | 'machine';
    length: number;
    width: number;
    height: number;
    mass: number | null;
    extra: string | null;
    removed: 0 | 1;
    version: number;
  };
  level: {
    id: string;
    job: JobId;
    name: string;
    height: number;
    note: string;
  };
  level_mark: {
    id: string;
    job: JobId;
    name: string;
    kind: 'floor' | 'ground' | 'step' | 'footing' | 'invert' | 'sill';
    mm: number;
    typed: string;
    removed: 0 | 1;
    version: number;
  };
  licence: {
    id: string;
    sub: SubId | null;
    trade: Trade;
    holder: string;
    number: string;
    expires_on: string | null;
    version: number;
  };
  licensed_trade: {
    trade: Trade;
  };
  link_answer: {
    command: string;
    share_link: string;
    type: string;
    at: string;
    source: string;
    device: string;
    person: PersonId | null;
  };
  logistic: {
    id: string;
    job: JobId;
    kind: 'bin' | 'spoil' | 'scaffold' | 'crane' | 'pump' | 'parking' | 'drop' | 'neighbours' | 'other';
    label: string;
    area: AreaId;
    phase: Phase;
    lead_days: number;
    state: 'open' | 'booked' | 'here' | 'dropped';
    booked_on: string | null;
    version: number;
    place: string;
    from_hour: string | null;
    to_hour: string | null;
    how_much: string;
    contact: string;
    phone: string;
    proposal: string;
  };
  message: {
    id: string;
    job_update: string;
    share_link: string;
    recipient: string;
    address: string;
    state: 'queued' | 'sent' | 'delivered' | 'failed';
    tries: number;
    queued_at: string;
    next_try_at: string | null;
    settled_at: string | null;
    failure: string | null;
    acknowledged_at: string | null;
    acknowledged_by: string | null;
    claimed_at: string | null;
  };
  method_choice: {
    id: string;
    method: MethodKey;
    job: JobId | null;
    area: AreaId | null;
    variant: string | null;
  };
  migration: {
    number: number;
    name: string;
    checksum: string;
  };
  narration: {
    id: string;
    walk: WalkId;
    name: string;
    text: string;
    hash: string;
    recording: string | null;
    kept_at: string;
    person: PersonId;
  };
  narration_reading: {
    narration: string;
    read_with: string;
    drafts: string;
  };
  neighbour: {
    id: string;
    job: JobId;
    name: string;
    email: string;
    phone: string;
    note: string;
    removed: 0 | 1;
    version: number;
    needed: string;
    needed_for: string | null;
  };
  normal: {
    month: number;
    wet: number;
    windy: number;
    frosty: number;
  };
  observation: {
    id: string;
    walk: WalkId;
    job: JobId;
    area: AreaId;
    person: PersonId;
    at: string;
    phase: Phase | null;
    fraction: number | null;
    text: string | null;
    trade: Trade | null;
    quantity: number | null;
    unit: string | null;
    selection: SelectionId | null;
    verdict: string | null;
    about: string | null;
    picture: string | null;
    mm: number | null;
    typed: string | null;
    kind:
      | 'progress'
      | 'remaining'
      | 'recheck'
      | 'selection-check'
      | 'note'
      | 'caution'
      | 'picture'
      | 'marks'
      | 'measurement'
      | 'surprise'
      | 'decision'
      | 'scope'
      | 'assumption'
      | 'selection'
      | 'order'
      | 'gate'
      | 'household'
      | 'short'
      | 'check'
      | 'in-wall'
      | 'withdrawal';
    facts: string;
  };
  office: {
    id: string;
    name: string;
    phases: string;
    weekdays: string;
    notice_days: number;
    visits_a_day: number;
    version: number;
    phone: string;
    kinds: string;
    email: string;
  };
  opened_anyway: {
    area: AreaId;
    phase: Phase;
    decision: string;
  };
  opening: {
    id: string;
    area: AreaId;
    opening: string;
    removed: 0 | 1;
    version: number;
  };
  option_set: {
    id: string;
    job: JobId;
    area: AreaId;
    phase: Phase;
    subject: string;
    options: string;
    chosen: string | null;
    reason: string;
    chosen_at: string | null;
    chosen_by: string | null;
    works_before: string | null;
    version: number;
    lines: string;
  };
  outlook: {
    day: string;
    half: 0 | 1;
    rain: number;
    wind: number;
    low: number;
    said_at: string;
  };
  own_assembly: {
    key: string;
    base: string;
    title: string;
    says: string;
    lines: string;
    goods: string;
  };
  own_link: {
    id: string;
    job: JobId;
    before_area: string;
    before_phase: Phase;
    after_area: string;
    after_phase: Phase;
    reason: string;
  };
  own_rule: {
    number: number;
    id: string;
    job: JobId | null;
    before_phase: Phase;
    after_phase: Phase;
    within: 'area' | 'beside' | 'route' | 'job';
    kind: 'FS' | 'SS' | 'FF';
    lag: number;
    lag_unit: 'work' | 'elapsed';
    strength: 'hard' | 'soft';
    reason: string;
    removed: 0 | 1;
    version: number;
  };
  payment: {
    id: string;
    job: JobId;
    day: string;
    amount: number;
    note: string;
    removed: 0 | 1;
    version: number;
  };
  payment_step: {
    id: string;
    job: JobId;
    position: number;
    text: string;
    percent: number | null;
    amount: number | null;
    due: 'agreed' | 'begun' | 'step' | 'finished' | 'day';
    due_area: AreaId | null;
    due_phase: Phase | null;
    due_day: string | null;
  };
  pdf: {
    hash: string;
    bytes: number;
  };
  person: {
    id: PersonId;
    name: string;
    role: 'contractor' | 'lead' | 'office' | 'sub';
    email: string | null;
    password_hash: string | null;
    version: number;
    phone: string;
    state: 'active' | 'suspended' | 'closed';
    sees_prices: 0 | 1;
    sub: SubId | null;
    own_link: string | null;
  };
  person_job: {
    person: PersonId;
    job: JobId;
  };
  picture: {
    hash: string;
    type: 'image/jpeg' | 'image/png' | 'image/webp';
    width: number;
    height: number;
    bytes: number;
    taken_at: string | null;
  };
  pin: {
    task: TaskId;
    job: JobId;
    day: string;
    half: 0 | 1;
    reason: string;
    made_at: string;
  };
  plan: {
    version: number;
    made_at: string;
    origin: string;
    cause: string;
    frame: string;
  };
  plan_mark: {
    id: number;
    job: JobId;
    walk: WalkId | null;
    cause: string;
  };
  plan_move: {
    id: number;
    version: number;
    made_at: string;
    job: JobId;
    task: TaskId | null;
    halves: number;
    cause: string;
  };
  plan_part: {
    version: number;
    job: JobId;
    tasks: string;
    links: string;
    finish_day: string | null;
  };
  plan_problem: {
    id: number;
    code: string;
    message: string;
    made_at: string;
  };
  plan_search: {
    id: number;
    state: 'asked' | 'running' | 'stopping' | 'done';
    schedules: number;
    seed: number;
    made: number;
    words: string;
    asked_at: string;
    found: string | null;
    better_than: number | null;
  };
  plant: {
    id: string;
    name: string;
    units: number;
    phases: string;
    version: number;
  };
  plant_down: {
    id: string;
    plant: string;
    first_day: string;
    last_day: string;
    units: number;
    reason: string;
  };
  price: {
    supplier: SupplierId;
    code: string;
    name: string;
    unit: string;
    unit_price: number | null;
    lead_low: number;
    lead_high: number;
    read_at: string;
  };
  projection: {
    name: string;
    form: number;
    records: number;
    kept: number;
  };
  provision: {
    id: string;
    job: JobId;
    need:
      | 'toilet'
      | 'shower'
      | 'bath'
      | 'sink'
      | 'cooking'
      | 'cold food'
      | 'laundry'
      | 'heat'
      | 'hot water'
      | 'way in'
      | 'beds'
      | 'parking';
    words: string;
    from_day: string;
    until_day: string | null;
    day_cost: number | null;
  };
  purchase_bill: {
    id: string;
    job: JobId;
    purchase_order: string;
    kind: 'deposit' | 'bill' | 'credit';
    number: string;
    day: string;
    other: number;
    less_deposit: number;
    removed: 0 | 1;
    version: number;
  };
  purchase_bill_line: {
    bill: string;
    line: string;
    job: JobId;
    quantity: number;
    amount: number;
  };
  purchase_line: {
    id: string;
    job: JobId;
    purchase_order: string;
    position: number;
    selection: SelectionId | null;
    calculation: string | null;
    purchase: number | null;
    code: string;
    text: string;
    quantity: number;
    unit: string;
    per_pack: number | null;
    unit_price: number | null;
    priced_by: 'one' | 'pack';
    instead: string;
    replaces: string;
  };
  purchase_movement: {
    id: string;
    job: JobId;
    line: string;
    kind: 'came' | 'went back';
    day: string;
    quantity: number;
    note: string;
    removed: 0 | 1;
    version: number;
  };
  purchase_order: {
    id: string;
    job: JobId;
    supplier: SupplierId;
    number: number;
    state: 'draft' | 'sent' | 'ended' | 'cancelled';
    sent_on: string | null;
    deliver_on: string | null;
    half: 'morning' | 'afternoon' | null;
    place: string | null;
    place_note: string;
    contact: string;
    deposit: number | null;
    carriage: number | null;
    note: string;
    version: number;
  };
  purchased: {
    observation: string;
    at: string;
    person: PersonId | null;
  };
  question: {
    id: string;
    job: JobId;
    share_link: string;
    name: string;
    text: string;
    asked_at: string;
    answer: string;
    answered_at: string | null;
    answered_by: string;
    job_update: string | null;
    version: number;
  };
  quiet: {
    id: string;
    job: JobId;
    area: AreaId | null;
    covers: 'loud' | 'all';
    half: 0 | 1 | null;
    weekdays: string;
    first_day: string;
    last_day: string | null;
    words: string;
    observation: string | null;
  };
  rate: {
    phase: Phase;
    per_half_day: number;
  };
  recording: {
    hash: string;
    type: string;
    bytes: number;
  };
  reminder: {
    job: JobId;
    about: string;
    at: string;
  };
  request: {
    id: RequestId;
    job: JobId;
    kind: 'approval' | 'answer' | 'drawing';
    party: 'client' | 'association' | 'authority' | 'conservation' | 'engineer' | 'designer' | 'us';
    who: string;
    subject: string;
    takes_low: number;
    takes_high: number;
    after: string | null;
    sent: string;
    sent_on: string | null;
    expected_on: string | null;
    reminded_on: string | null;
    answered_on: string | null;
    answered_by: string;
    outcome: 'granted' | 'conditions' | 'refused' | null;
    conditions: string;
    removed: 0 | 1;
    version: number;
  };
  request_wait: {
    request: RequestId;
    selection: SelectionId | null;
    area: AreaId | null;
    phase: Phase | null;
  };
  route_day: {
    day: string;
    starts: string;
  };
  route_stop: {
    day: string;
    place: string;
    stays: number;
    from_hour: string;
    until_hour: string;
  };
  rule_switch: {
    id: string;
    rule: number;
    job: JobId | null;
    area: AreaId | null;
    holds: 0 | 1;
    reason: string;
  };
  scope_item: {
    id: string;
    job: JobId;
    area: AreaId;
    stance: 'in' | 'out' | 'conditional' | 'protect' | 'keep-live' | 'refit';
    verb: string;
    subject: string;
    quantity: number | null;
    unit: string | null;
    trade: Trade | null;
    depends_on: string;
    version: number;
    selection: SelectionId | null;
    measure: Measure | null;
    change_order: string | null;
    removed: 0 | 1;
    place: string;
    kept: 'kept' | 'back' | 'gone';
    option_set: string | null;
    was: string | null;
    price_way: 'unit' | 'sum' | 'parts' | 'within' | null;
    unit_price: number | null;
    hours: number | null;
    assembly: string | null;
  };
  second_factor: {
    person: PersonId;
    secret: string;
    confirmed_at: string | null;
    last_step: number;
    recovery: string;
  };
  selection: {
    id: SelectionId;
    job: JobId;
    area: AreaId;
    phase: Phase;
    category: string;
    choice: string;
    code: string;
    expected_on: string | null;
    note: string;
    version: number;
    colour: string;
    finish: string;
    quantity: number | null;
    unit: string;
    calculation: string | null;
    unit_price: number | null;
    decides: 'client' | 'us' | 'designer' | 'sub';
    approves: string;
    picture: string | null;
    check_days: number;
    acclimatise_days: number;
    buffer_days: number;
    think_days: number;
    alternatives: string;
    ordered_on: string | null;
    ordered_as: string;
    order_number: string;
    promised_on: string | null;
    slip: string;
    came_on: string | null;
    kept_at: string;
    delivery: string | null;
    follows: string | null;
    follows_as: 're-order' | 'rest' | null;
    observation: string | null;
    return_trip: 0 | 1;
    removed: 0 | 1;
    lead_low: number;
    lead_high: number;
    supplier: SupplierId | null;
    state:
      | 'open'
      | 'chosen'
      | 'approved'
      | 'ordered'
      | 'confirmed'
      | 'in making'
      | 'shipped'
      | 'on site'
      | 'checked'
      | 'fitted'
      | 'left over';
    found: string | null;
    allowance: string | null;
  };
  session: {
    id: string;
    person: PersonId;
    token_hash: string;
    device: string;
    source: string;
    made_at: string;
    seen_at: string;
  };
  shape: {
    area: AreaId;
    shape: string;
    version: number;
  };
  share_link: {
    id: string;
    job: JobId | null;
    sub: SubId | null;
    audience: 'client' | 'crew' | 'sub' | 'neighbour' | 'party';
    recipient: string;
    token_hash: string;
    made_at: string;
    expires_on: string;
    revoked_at: string | null;
    opened: number;
    opened_at: string | null;
    request: RequestId | null;
    inspection: string | null;
  };
  share_showing: {
    id: number;
    share_link: string;
    person: PersonId;
    at: string;
  };
  shared_wall: {
    one: string;
    one_wall: number;
    other: string;
    other_wall: number;
  };
  sign_in: {
    id: number;
    at: string;
    email: string;
    person: PersonId | null;
    source: string;
    device: string;
    outcome: 'in' | 'wrong' | 'wrong code' | 'closed' | 'out' | 'new password';
  };
  sign_off: {
    id: string;
    job: JobId;
    area: AreaId;
    name: string;
    words: string;
    at: string;
    by_client: 0 | 1;
    removed: 0 | 1;
    version: number;
  };
  site_close_down: {
    id: string;
    job: JobId;
    walk: WalkId | null;
    person: PersonId;
    at: string;
    items: string;
    bin: number | null;
    note: string;
  };
  slip_answer: {
    id: string;
    job: JobId;
    selection: SelectionId | null;
    task: TaskId | null;
    title: string;
    taken_on: string;
    by: string;
    ends: string;
    would_end: string;
  };
  spare: {
    id: string;
    job: JobId;
    selection: SelectionId | null;
    kind: 'touch-up kit' | 'spare parts' | 'surplus' | 'wrong part';
    what: string;
    quantity: number | null;
    unit: string;
    place: string | null;
    kept_at: string;
    observation: string | null;
    state: 'kept' | 'gone';
    version: number;
  };
  spending: {
    id: string;
    job: JobId;
    area: AreaId | null;
    day: string;
    kind: 'material' | 'work' | 'other';
    text: string;
    amount: number;
    selection: SelectionId | null;
    removed: 0 | 1;
    version: number;
  };
  spot: {
    place: string;
    north: number;
    east: number;
  };
  standing: {
    matter: string;
    job: JobId;
    observation: string;
    at: string;
    state: string;
  };
  standing_observation: {
    id: string;
    walk: WalkId;
    job: JobId;
    area: AreaId;
    person: PersonId;
    at: string;
    phase: Phase | null;
    fraction: number | null;
    text: string | null;
    trade: Trade | null;
    quantity: number | null;
    unit: string | null;
    selection: SelectionId | null;
    verdict: string | null;
    about: string | null;
    picture: string | null;
    mm: number | null;
    typed: string | null;
    kind:
      | 'progress'
      | 'remaining'
      | 'recheck'
      | 'selection-check'
      | 'note'
      | 'caution'
      | 'picture'
      | 'marks'
      | 'measurement'
      | 'surprise'
      | 'decision'
      | 'scope'
      | 'assumption'
      | 'selection'
      | 'order'
      | 'gate'
      | 'household'
      | 'short'
      | 'check'
      | 'in-wall'
      | 'withdrawal';
    facts: string;
  };
  standpoint: {
    id: string;
    job: JobId;
    area: AreaId;
    name: string;
    removed: 0 | 1;
    version: number;
  };
  statement: {
    id: string;
    job: JobId;
    number: number;
    made_at: string;
    made_by: string | null;
    content: string;
    state: 'made' | 'sent' | 'agreed';
    sent_at: string | null;
    agreed_at: string | null;
    agreed_by: string | null;
    version: number;
  };
  step: {
    area: AreaId;
    phase: Phase;
    trade: Trade;
    half_days: number;
    basis: 'size' | 'quantity' | 'hand';
    crews: number;
    others: string | null;
    others_on: string | null;
  };
  step_part: {
    area: AreaId;
    phase: Phase;
    part: number;
    label: string;
    half_days: number;
  };
  sub: {
    id: SubId;
    name: string;
    trade: Trade;
    crews: number;
    lead_name: string;
    email: string;
    version: number;
    phone: string;
  };
  sub_trade: {
    sub: SubId;
    trade: Trade;
  };
  supplier: {
    id: SupplierId;
    name: string;
    email: string;
    note: string;
    desk: 0 | 1;
    version: number;
    phone: string;
  };
  supplier_closure: {
    supplier: SupplierId;
    first_day: string;
    last_day: string;
    why: string;
  };
  told: {
    job: JobId;
    audience: 'client' | 'crew' | 'neighbour';
    at: string;
    record: string | null;
    steps: string;
    days: string;
  };
  travel: {
    one: string;
    other: string;
    minutes: number;
  };
  trusted_clock: {
    id: number;
    after_seq: number;
    at: string;
  };
  visit_came: {
    task: TaskId;
    job: JobId;
    crew: string;
    told_day: string;
    came_day: string;
  };
  visit_day: {
    task: TaskId;
    job: JobId;
    crew: string;
    day: string;
    half: 0 | 1;
    said: 'nothing' | 'told' | 'asked' | 'confirmed' | 'declined';
    told_day: string | null;
    told_half: 0 | 1 | null;
    said_at: string | null;
    said_by: string;
    note: string;
    free: 0 | 1;
    wish_day: string | null;
    wish_half: 0 | 1 | null;
  };
  walk: {
    id: WalkId;
    job: JobId;
    kind: 'scope' | 'layout' | 'progress' | 'close-in' | 'completion';
    person: PersonId;
    started_at: string;
    finished_at: string | null;
    dropped: 0 | 1;
  };
  walk_plan: {
    walk: WalkId;
    before_version: number | null;
    after_version: number;
    effect: string | null;
  };
  way_in: {
    id: string;
    job: JobId;
    area: AreaId | null;
    what: string;
    kind: 'opening' | 'turn' | 'stair' | 'crane' | 'hose' | 'carry';
    width: number | null;
    height: number | null;
    before: number | null;
    behind: number | null;
    lifts: number | null;
    distance: number | null;
    reach: number | null;
    beside: 0 | 1;
    finding: string | null;
    removed: 0 | 1;
    version: number;
  };
  worked_day: {
    id: string;
    job: JobId;
    day: string;
    words: string;
  };
}

/** Columns that need not be given for a new row: they may be NULL or have a default. */
export interface Defaults {
  area:
    | 'level'
    | 'works'
    | 'size'
    | 'passage'
    | 'lived_in'
    | 'provides'
    | 'shelters'
    | 'version'
    | 'side'
    | 'sleeping'
    | 'called';
  area_merged: never;
  assembly: 'removed' | 'version';
  assumption:
    | 'why'
    | 'fallback_price'
    | 'found'
    | 'settled_at'
    | 'settled_by'
    | 'settled_walk'
    | 'removed'
    | 'version'
    | 'sure'
    | 'signs';
  attachment: 'area' | 'request' | 'added_by' | 'removed' | 'version';
  baseline: 'finish_day';
  beside: 'opens';
  busy: never;
  busy_source: never;
  calculation:
    | 'scope_item'
    | 'product'
    | 'fed'
    | 'output'
    | 'purchases'
    | 'problem'
    | 'unit_price'
    | 'supplier'
    | 'trade'
    | 'phase'
    | 'removed'
    | 'version'
    | 'assembly';
  calendar_event: 'sub';
  change_drop: never;
  change_line: 'unit_price' | 'trade' | 'half_days' | 'after_phase' | 'price_only';
  change_order:
    | 'why'
    | 'omits'
    | 'finish_before'
    | 'finish_after'
    | 'sent_at'
    | 'answered_at'
    | 'answered_by'
    | 'answer'
    | 'version'
    | 'assumption'
    | 'finding'
    | 'observation';
  client_item: 'area' | 'answer' | 'observation' | 'version';
  close_in_sign: 'person' | 'removed' | 'version';
  command_inverse: 'seq' | 'taken_back_by';
  command_log: 'seq' | 'job';
  day_away: never;
  decision: 'area' | 'made_by' | 'removed' | 'version';
  delivery:
    | 'half'
    | 'place'
    | 'place_note'
    | 'protection'
    | 'floor_area'
    | 'heaviest'
    | 'people'
    | 'carry'
    | 'came_on'
    | 'version';
  done_word: 'note' | 'picture' | 'standpoint' | 'verdict' | 'settled_at' | 'settled_by' | 'answer' | 'version';
  draft_line: never;
  dropped_draft: never;
  end_day: never;
  erasure: 'id' | 'person';
  extra_work:
    'after_phase' | 'assumption' | 'change_order' | 'version' | 'assembly' | 'follows' | 'probes' | 'left_for';
  feed: 'closed_at';
  filing: 'target' | 'person';
  finding:
    | 'area'
    | 'quantity'
    | 'unit'
    | 'need'
    | 'live'
    | 'place'
    | 'cause'
    | 'remedy'
    | 'allowed'
    | 'unit_price'
    | 'lead_days'
    | 'options'
    | 'removed'
    | 'version'
    | 'kept'
    | 'picture'
    | 'answer'
    | 'answered_by'
    | 'answered_at'
    | 'found'
    | 'found_at'
    | 'found_by'
    | 'proved'
    | 'proved_by'
    | 'proved_on'
    | 'trade';
  firm:
    | 'id'
    | 'town'
    | 'trip_weight'
    | 'zone'
    | 'currency'
    | 'markup'
    | 'tax_rate'
    | 'tax_shown'
    | 'frozen_days'
    | 'move_weight'
    | 'trip_cost'
    | 'tell_hour'
    | 'tell_soon'
    | 'remind_sub_days'
    | 'remind_client_days'
    | 'told_on'
    | 'demo'
    | 'keep_recordings'
    | 'keep_origins'
    | 'keep_neighbours'
    | 'dates'
    | 'clock_hours';
  fixture: 'removed' | 'version';
  gate: 'not_before' | 'together';
  gate_end: never;
  handed_over: 'area' | 'removed' | 'version';
  history: 'selection' | 'request' | 'desk';
  hold: 'asked_on' | 'version';
  holiday: never;
  hour_rate: never;
  house_secret: 'id';
  inspection: 'words' | 'settled_at' | 'version' | 'by' | 'slip' | 'kinds';
  inspection_told: never;
  invitation: 'used_at';
  job:
    | 'address'
    | 'client'
    | 'client_email'
    | 'promise_day'
    | 'lived_in'
    | 'loud_half'
    | 'position'
    | 'version'
    | 'weight'
    | 'leaves'
    | 'removed'
    | 'markup'
    | 'tax_rate'
    | 'prices_shown'
    | 'late_cost'
    | 'site_cost'
    | 'getting_in'
    | 'example';
  job_task_done: never;
  job_update: 'walk' | 'sent_at' | 'version';
  large_piece: 'selection' | 'mass' | 'extra' | 'removed' | 'version';
  level: 'note';
  level_mark: 'removed' | 'version';
  licence: 'sub' | 'number' | 'expires_on' | 'version';
  licensed_trade: never;
  link_answer: 'person';
  logistic: 'booked_on' | 'version' | 'place' | 'from_hour' | 'to_hour' | 'how_much' | 'contact' | 'phone' | 'proposal';
  message: 'tries' | 'next_try_at' | 'settled_at' | 'failure' | 'acknowledged_at' | 'acknowledged_by' | 'claimed_at';
  method_choice: 'job' | 'area' | 'variant';
  migration: 'number';
  narration: 'recording';
  narration_reading: never;
  neighbour: 'email' | 'phone' | 'note' | 'removed' | 'version' | 'needed' | 'needed_for';
  normal: 'month';
  observation:
    | 'phase'
    | 'fraction'
    | 'text'
    | 'trade'
    | 'quantity'
    | 'unit'
    | 'selection'
    | 'verdict'
    | 'about'
    | 'picture'
    | 'mm'
    | 'typed'
    | 'kind'
    | 'facts';
  office: 'version' | 'phone' | 'kinds' | 'email';
  opened_anyway: never;
  opening: 'removed' | 'version';
  option_set: 'chosen' | 'reason' | 'chosen_at' | 'chosen_by' | 'works_before' | 'version' | 'lines';
  outlook: never;
  own_assembly: never;
  own_link: never;
  own_rule: 'number' | 'job' | 'removed' | 'version';
  payment: 'note' | 'removed' | 'version';
  payment_step: 'percent' | 'amount' | 'due_area' | 'due_phase' | 'due_day';
  pdf: never;
  person: 'email' | 'password_hash' | 'version' | 'phone' | 'state' | 'sees_prices' | 'sub' | 'own_link';
  person_job: never;
  picture: 'taken_at';
  pin: never;
  plan: 'version';
  plan_mark: 'id' | 'walk';
  plan_move: 'id' | 'task';
  plan_part: 'finish_day';
  plan_problem: 'id';
  plan_search: 'id' | 'made' | 'words' | 'found' | 'better_than';
  plant: 'version';
  plant_down: never;
  price: 'name' | 'unit' | 'unit_price';
  projection: never;
  provision: 'until_day' | 'day_cost';
  purchase_bill: 'number' | 'other' | 'less_deposit' | 'removed' | 'version';
  purchase_bill_line: never;
  purchase_line: 'selection' | 'calculation' | 'purchase' | 'code' | 'per_pack' | 'unit_price' | 'instead' | 'replaces';
  purchase_movement: 'note' | 'removed' | 'version';
  purchase_order:
    | 'sent_on'
    | 'deliver_on'
    | 'half'
    | 'place'
    | 'place_note'
    | 'contact'
    | 'deposit'
    | 'carriage'
    | 'note'
    | 'version';
  purchased: 'person';
  question: 'answer' | 'answered_at' | 'answered_by' | 'job_update' | 'version';
  quiet: 'area' | 'half' | 'weekdays' | 'last_day' | 'observation';
  rate: never;
  recording: never;
  reminder: never;
  request:
    | 'who'
    | 'after'
    | 'sent'
    | 'sent_on'
    | 'expected_on'
    | 'reminded_on'
    | 'answered_on'
    | 'answered_by'
    | 'outcome'
    | 'conditions'
    | 'removed'
    | 'version';
  request_wait: 'selection' | 'area' | 'phase';
  route_day: never;
  route_stop: 'from_hour' | 'until_hour';
  rule_switch: 'job' | 'area';
  scope_item:
    | 'quantity'
    | 'unit'
    | 'trade'
    | 'depends_on'
    | 'version'
    | 'selection'
    | 'measure'
    | 'change_order'
    | 'removed'
    | 'place'
    | 'kept'
    | 'option_set'
    | 'was'
    | 'price_way'
    | 'unit_price'
    | 'hours'
    | 'assembly';
  second_factor: 'confirmed_at' | 'last_step' | 'recovery';
  selection:
    | 'choice'
    | 'code'
    | 'expected_on'
    | 'note'
    | 'version'
    | 'colour'
    | 'finish'
    | 'quantity'
    | 'unit'
    | 'calculation'
    | 'unit_price'
    | 'decides'
    | 'approves'
    | 'picture'
    | 'check_days'
    | 'acclimatise_days'
    | 'buffer_days'
    | 'think_days'
    | 'alternatives'
    | 'ordered_on'
    | 'ordered_as'
    | 'order_number'
    | 'promised_on'
    | 'slip'
    | 'came_on'
    | 'kept_at'
    | 'delivery'
    | 'follows'
    | 'follows_as'
    | 'observation'
    | 'return_trip'
    | 'removed'
    | 'lead_low'
    | 'lead_high'
    | 'supplier'
    | 'state'
    | 'found'
    | 'allowance';
  session: never;
  shape: 'version';
  share_link: 'job' | 'sub' | 'revoked_at' | 'opened' | 'opened_at' | 'request' | 'inspection';
  share_showing: 'id';
  shared_wall: never;
  sign_in: 'id' | 'person';
  sign_off: 'words' | 'removed' | 'version';
  site_close_down: 'walk' | 'bin' | 'note';
  slip_answer: 'selection' | 'task' | 'by';
  spare: 'selection' | 'quantity' | 'unit' | 'place' | 'kept_at' | 'observation' | 'version';
  spending: 'area' | 'selection' | 'removed' | 'version';
  spot: never;
  standing: 'state';
  standpoint: 'removed' | 'version';
  statement: 'made_by' | 'sent_at' | 'agreed_at' | 'agreed_by' | 'version';
  step: 'basis' | 'crews' | 'others' | 'others_on';
  step_part: never;
  sub: 'lead_name' | 'email' | 'version' | 'phone';
  sub_trade: never;
  supplier: 'email' | 'note' | 'desk' | 'version' | 'phone';
  supplier_closure: 'why';
  told: 'record' | 'days';
  travel: never;
  trusted_clock: 'id';
  visit_came: never;
  visit_day: 'said' | 'told_day' | 'told_half' | 'said_at' | 'said_by' | 'note' | 'free' | 'wish_day' | 'wish_half';
  walk: 'finished_at' | 'dropped';
  walk_plan: 'before_version' | 'effect';
  way_in:
    | 'area'
    | 'width'
    | 'height'
    | 'before'
    | 'behind'
    | 'lifts'
    | 'distance'
    | 'reach'
    | 'beside'
    | 'finding'
    | 'removed'
    | 'version';
  worked_day: 'words';
}
