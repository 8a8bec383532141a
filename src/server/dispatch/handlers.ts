import type { CommandType } from '@/contract/commands';
import { accountHandlers } from '../accounts/commands';
import { assemblyHandlers } from '../assemblies/commands';
import { firmHandlers } from '../firm/commands';
import { layoutHandlers } from '../layout/commands';
import { moneyHandlers } from '../money/commands';
import { billHandlers } from '../purchasing/bills';
import { movementHandlers } from '../purchasing/movements';
import { orderHandlers } from '../purchasing/orders';
import { quantityHandlers } from '../quantities/commands';
import { assumptionHandlers } from '../scope/assumptions';
import { changeHandlers } from '../scope/changes';
import { scopeHandlers } from '../scope/commands';
import { optionHandlers } from '../scope/options';
import { statementHandlers } from '../scope/statements';
import { selectionHandlers } from '../selections/commands';
import { deliveryHandlers } from '../selections/deliveries';
import { requestHandlers } from '../selections/requests';
import { supplierHandlers } from '../selections/suppliers';
import { sequenceHandlers } from '../sequence/commands';
import { inspectionHandlers } from '../schedule/inspections';
import { pinHandlers } from '../schedule/pins';
import { attachmentHandlers } from '../sites/attachments';
import { quietHandlers } from '../sites/quiet';
import { tripHandlers } from '../sites/trips';
import { provisionHandlers } from '../sites/provisions';
import { workedDayHandlers } from '../sites/worked-days';
import { licenceHandlers } from '../firm/licences';
import { newsRuleHandlers } from '../firm/news-rules';
import { upkeepHandlers } from '../firm/upkeep';
import { visitHandlers } from '../visits/commands';
import { reminderHandlers } from '../visits/reminders';
import { doneHandlers } from '../walks/done';
import { tickedHandlers } from '../walks/ticked';
import { takeHandlers } from '../plan/take';
import { planHandlers } from '../schedule/plan-commands';
import { takeAwayHandlers } from '../scope/take-away';
import { resourceHandlers } from '../schedule/resources';
import { addressHandlers } from '../sites/addresses';
import { goalHandlers } from '../sites/goals';
import { ruleHandlers } from '../sequence/rule-commands';
import { methodHandlers } from '../sequence/method-commands';
import { logisticHandlers } from '../sequence/logistic-commands';
import { stepHandlers } from '../sequence/step-commands';
import { mergeAreaHandlers } from '../walks/merge-areas';
import { wayInHandlers } from '../sites/way-in';
import { siteHandlers } from '../sites/commands';
import { openingHandlers } from '../sites/openings';
import { updateHandlers } from '../news/commands';
import { neighbourHandlers } from '../news/neighbours';
import { questionHandlers } from '../news/questions';
import { closeInHandlers } from '../walks/close-in';
import { walkHandlers } from '../walks/commands';
import { completionHandlers } from '../walks/completion';
import { narrationHandlers } from '../walks/narrations';
import { filingHandlers } from '../walks/filing';
import { answerHandlers } from './answer';
import { undoHandlers } from './undo';
import type { Handle } from '../door/handler';

/** One for all subjects; where two would take the same command, its name is told by the compiler. */
type Joined<Lists extends readonly object[], Before = unknown> = Lists extends readonly [
  infer First,
  ...infer Rest extends readonly object[],
]
  ? keyof First & keyof Before extends never
    ? Joined<Rest, Before & First>
    : { takenTwice: keyof First & keyof Before }
  : Before;

const joined = <const Lists extends readonly object[]>(...lists: Lists): Joined<Lists> =>
  Object.assign({}, ...lists) as Joined<Lists>;

/** What carries out every change there is. One that is missing, doubled or of another shape is an error of types. */
export const HANDLERS: { readonly [Type in CommandType]: Handle<Type> } = joined(
  firmHandlers,
  layoutHandlers,
  quantityHandlers,
  assumptionHandlers,
  changeHandlers,
  moneyHandlers,
  orderHandlers,
  movementHandlers,
  billHandlers,
  wayInHandlers,
  assemblyHandlers,
  scopeHandlers,
  optionHandlers,
  statementHandlers,
  selectionHandlers,
  deliveryHandlers,
  requestHandlers,
  supplierHandlers,
  sequenceHandlers,
  inspectionHandlers,
  pinHandlers,
  visitHandlers,
  reminderHandlers,
  accountHandlers,
  newsRuleHandlers,
  upkeepHandlers,
  licenceHandlers,
  doneHandlers,
  tickedHandlers,
  attachmentHandlers,
  quietHandlers,
  workedDayHandlers,
  provisionHandlers,
  tripHandlers,
  planHandlers,
  takeHandlers,
  resourceHandlers,
  takeAwayHandlers,
  goalHandlers,
  addressHandlers,
  ruleHandlers,
  methodHandlers,
  stepHandlers,
  logisticHandlers,
  siteHandlers,
  openingHandlers,
  updateHandlers,
  neighbourHandlers,
  questionHandlers,
  closeInHandlers,
  walkHandlers,
  mergeAreaHandlers,
  completionHandlers,
  narrationHandlers,
  filingHandlers,
  answerHandlers,
  undoHandlers,
);
