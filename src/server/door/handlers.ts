import { firmHandlers } from '../firm/commands';
import { layoutHandlers } from '../layout/commands';
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
import { planHandlers } from '../schedule/plan-commands';
import { resourceHandlers } from '../schedule/resources';
import { ruleHandlers } from '../sequence/rule-commands';
import { schoolHandlers } from '../sequence/school-commands';
import { stepHandlers } from '../sequence/step-commands';
import { siteHandlers } from '../sites/commands';
import { updateHandlers } from '../updates/commands';
import { closeInHandlers } from '../walks/close-in';
import { walkHandlers } from '../walks/commands';
import { completionHandlers } from '../walks/completion';
import { narrationHandlers } from '../walks/narrations';
import { placementHandlers } from '../walks/placements';
import type { Handler } from './handler';

/** Every change there is, by its name. */
export const HANDLERS: ReadonlyMap<string, Handler> = new Map(
  [
    ...firmHandlers,
    ...siteHandlers,
    ...scopeHandlers,
    ...assumptionHandlers,
    ...optionHandlers,
    ...changeHandlers,
    ...statementHandlers,
    ...layoutHandlers,
    ...quantityHandlers,
    ...selectionHandlers,
    ...requestHandlers,
    ...supplierHandlers,
    ...deliveryHandlers,
    ...sequenceHandlers,
    ...ruleHandlers,
    ...schoolHandlers,
    ...stepHandlers,
    ...pinHandlers,
    ...inspectionHandlers,
    ...resourceHandlers,
    ...planHandlers,
    ...walkHandlers,
    ...narrationHandlers,
    ...placementHandlers,
    ...closeInHandlers,
    ...completionHandlers,
    ...updateHandlers,
  ].map((one) => [one.kind.type, one]),
);
