import type { InferEntity } from '@mikro-orm/core';
import { FileTakenRow, PlaceRow, RuleLogRow } from './entities/placeRows.ts';
import {
  MaterialRow,
  LotRow,
  SupplierRow,
  OfferRow,
  PriceSeenRow,
  PurchaseRow,
} from './entities/shelfRows.ts';
import {
  DesignRow,
  HandTestRow,
  BuildRow,
  BatchRow,
  StepTimeRow,
  BundleRow,
  GivenRow,
} from './entities/makingRows.ts';
import {
  KitRow,
  KitEventRow,
  BorrowerRow,
  LoanRow,
  CountRow,
  ReservationRow,
  TellingRow,
  OutboxRow,
  TermPlanRow,
} from './entities/lendingRows.ts';
import { ChildRow, NoteRow } from './entities/watchRows.ts';
import { PersonRow, SessionRow, AuditLogRow } from './entities/peopleRows.ts';

export { FileTakenRow, PlaceRow, RuleLogRow } from './entities/placeRows.ts';
export { MaterialRow, LotRow, SupplierRow, OfferRow, PurchaseRow } from './entities/shelfRows.ts';
export {
  DesignRow,
  HandTestRow,
  BuildRow,
  BatchRow,
  StepTimeRow,
  BundleRow,
  GivenRow,
} from './entities/makingRows.ts';
export {
  KitRow,
  KitEventRow,
  BorrowerRow,
  LoanRow,
  CountRow,
  ReservationRow,
  TellingRow,
  OutboxRow,
  TermPlanRow,
} from './entities/lendingRows.ts';
export { ChildRow, NoteRow } from './entities/watchRows.ts';
export { PersonRow, SessionRow } from './entities/peopleRows.ts';

export const entities = [
  PlaceRow,
  MaterialRow,
  LotRow,
  SupplierRow,
  OfferRow,
  PriceSeenRow,
  PurchaseRow,
  FileTakenRow,
  DesignRow,
  ChildRow,
  HandTestRow,
  RuleLogRow,
  BuildRow,
  BatchRow,
  StepTimeRow,
  BundleRow,
  GivenRow,
  KitRow,
  KitEventRow,
  BorrowerRow,
  LoanRow,
  CountRow,
  NoteRow,
  ReservationRow,
  TellingRow,
  PersonRow,
  SessionRow,
  AuditLogRow,
  TermPlanRow,
  OutboxRow,
];

export type Material = InferEntity<typeof MaterialRow>;
export type Lot = InferEntity<typeof LotRow>;
export type Design = InferEntity<typeof DesignRow>;
export type Borrower = InferEntity<typeof BorrowerRow>;
export type ChildStored = InferEntity<typeof ChildRow>;
export type Kit = InferEntity<typeof KitRow>;
export type BundleStored = InferEntity<typeof BundleRow>;
export type Batch = InferEntity<typeof BatchRow>;
export type TermPlanStored = InferEntity<typeof TermPlanRow>;
export type Loan = InferEntity<typeof LoanRow>;
export type Note = InferEntity<typeof NoteRow>;
export type PersonStored = InferEntity<typeof PersonRow>;
