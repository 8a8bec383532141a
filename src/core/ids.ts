/**
 * Ids that cannot be taken for one another: the id of an area given where a job is asked for is an error of types. A
 * plain string, as it comes from a form or an address, may become any of them; what it is, the door looks up.
 */
type IdOf<Thing extends string> = string & { readonly idOf?: Thing };

export type JobId = IdOf<'job'>;
export type AreaId = IdOf<'area'>;
export type WalkId = IdOf<'walk'>;
export type SelectionId = IdOf<'selection'>;
export type PurchaseOrderId = IdOf<'purchase_order'>;
export type RequestId = IdOf<'request'>;
export type PersonId = IdOf<'person'>;
export type SubId = IdOf<'sub'>;
export type SupplierId = IdOf<'supplier'>;
/** A piece of work in a plan; made and read in `core/sequence/site` alone. */
export type TaskId = IdOf<'task'>;
