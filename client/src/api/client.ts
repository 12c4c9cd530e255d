import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

type S = components['schemas'];
export type Quantity = S['Quantity'];
export type Kind = S['Kind'];
export type Part = S['Part'];
export type Figure = S['Figure'];
export type Verdict = S['Verdict'];
export type LinkId = S['LinkId'];
export type Link = S['Link'];
export type LedgerStep = S['LedgerStep'];
export type Candidate = S['Candidate'];
export type Caution = S['Caution'];
export type Solution = S['Solution'];
// Drafts and pins are as sent by a person; in an answer every field is present.
export type BriefDraft = S['BriefDraftInput'];
export type Pins = S['PinsInput'];
export type BriefAnswer = S['BriefAnswer'];
export type BriefRow = S['BriefRow'];
export type Standards = S['StandardsAnswer'];
export type Source = S['Source'];
export type Rod = S['Rod'];
export type FlyLine = S['FlyLine'];
export type Reel = S['Reel'];
export type GearShed = S['GearShed'];
export type Leader = S['Leader'];
// While it is edited it has only what a person enters.
export type LeaderDraft = S['LeaderInput'];
export type LeaderPiece = S['LeaderPieceInput'];
export type LeaderCheck = S['LeaderCheck'];
export type LeaderJoint = S['LeaderJoint'];
export type LeaderFinding = S['LeaderFinding'];
export type LeaderSpool = S['LeaderSpool'];
export type TiedLeader = S['TiedLeader'];
export type TyingList = S['TyingList'];
export type Turnover = S['Turnover'];
export type DepthAnswer = S['DepthAnswer'];
export type DepthLine = S['DepthLine'];
export type DepthWish = S['DepthWish'];
export type FlyPath = S['FlyPath'];
export type KnotStep = S['KnotStep'];
export type KnotStrand = S['KnotStrand'];
export type RigAnswer = S['RigAnswer'];
export type RigStep = S['RigStep'];
export type Knot = S['Knot'];
export type CastAnswer = S['CastAnswer'];
export type CastMoment = S['CastMoment'];
export type CastMap = S['CastMap'];
export type ReachGain = S['ReachGain'];
export type WindReading = S['WindReading'];
export type EnergyBudget = S['EnergyBudget'];
export type Bend = S['Bend'];
export type BendAnswer = S['BendAnswer'];
export type BendFit = S['BendFit'];
export type BendReading = S['BendReading'];
export type BendTest = S['BendTest'];
export type Calibration = S['Calibration'];
export type CutPlan = S['CutPlan'];
export type PlanAnswer = S['PlanAnswer'];
export type CutTargetInput = S['CutTargetInput'];
export type Found = S['Found'];
export type Inspection = S['Inspection'];
export type JobAnswer = S['JobAnswer'];
export type ClassifyAnswer = S['ClassifyAnswer'];
export type LineClass = S['LineClass'];
export type LineReading = S['LineReading'];
export type PieceNow = S['PieceNow'];
export type BalanceAnswer = S['BalanceAnswer'];
export type RodBalance = S['RodBalance'];
export type RodSuits = S['RodSuits'];
export type Scrap = S['Scrap'];
export type Spool = S['Spool'];
export type SpoolFill = S['SpoolFill'];
export type SpoolLayer = S['SpoolLayer'];
export type FillAnswer = S['FillAnswer'];
export type RunAnswer = S['RunAnswer'];
export type RunHold = S['RunHold'];
export type RunMoment = S['RunMoment'];
export type TicketAnswer = S['TicketAnswer'];
export type WindingReply = S['WindingReply'];
export type WindingStep = S['WindingStep'];
export type Stretch = S['Stretch'];
export type Weighing = S['Weighing'];
export type Form = S['Form'];
// A trip, its days and limits are as sent by a person; in an answer every field is present.
export type Trip = S['TripInput'] & { id: number; version: number };
export type PlannedDay = S['PlannedDayInput'];
export type TripLimits = S['TripLimitsInput'];
export type Pieces = S['PiecesInput'];
export type TripPlan = S['TripPlan'];
export type DataAnswer = S['DataAnswer'];
export type StillSearching = S['StillSearching'];
export type TripPiece = S['TripPiece'];
export type TripCell = S['TripCell'];
export type KitShort = S['KitShort'];
export type Coverage = S['Coverage'];
export type PackingAnswer = S['PackingAnswer'];
export type PackItem = S['PackItem'];
export type Purchase = S['Purchase'];
export type Regret = S['Regret'];
export type FirstOutfit = S['FirstOutfit'];
export type ShedReview = S['ShedReview'];
export type ShedMatrix = S['ShedMatrix'];
export type Outing = S['Outing'];
export type LogRow = S['LogRow'];
export type LogList = S['LogPage'];
export type PasteAnswer = S['PasteAnswer'];
export type LogAnswers = S['LogAnswers'];
export type LogWind = S['LogWind'];
export type LoggedCast = S['LoggedCast'];
export type LoggedFish = S['LoggedFish'];
export type RingRound = S['RingRound'];
export type SeasonDay = S['SeasonDay'];
export type LossRow = S['LossRow'];
export type CasterLearning = S['CasterLearning'];
export type RodLearning = S['RodLearning'];
export type PracticeDrill = S['PracticeDrill'];
export type ProgressDay = S['ProgressDay'];
export type CareItem = S['CareItem'];
export type CareAnswer = S['CareAnswer'];
export type BackupChange = S['BackupChange'];
export type BackupMerge = S['BackupMerge'];

export const api = createClient<paths>({ baseUrl: '' });

/** Words for each field with a problem, from a problem-details answer. */
export type FieldWords = Record<string, string>;

type ProblemBody = { title?: string | null; errors?: Record<string, string[]> };

/** What went wrong, in words a person can use. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly fields: FieldWords,
  ) {
    super(message);
  }
}

/** Nobody answered, the key has to be entered again, or the disk is full: the same request will work later. */
export const isPassing = (failure: ApiError) => [0, 401, 503, 507].includes(failure.status);

export function apiError(error: unknown, status: number): ApiError {
  const body = (error ?? {}) as ProblemBody;
  const fields = Object.fromEntries(Object.entries(body.errors ?? {}).map(([field, words]) => [field, words[0] ?? '']));
  return new ApiError(body.title ?? 'Something broke. Nothing was changed.', status, fields);
}

/** Returns the data of an answer, or throws what went wrong; a lost connection becomes an error of status 0. */
export async function unwrap<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer;
  try {
    answer = await call;
  } catch (lost) {
    if (lost instanceof DOMException && lost.name === 'AbortError') throw lost;
    throw new ApiError('Zing Cast does not answer. Is it still running?', 0, {});
  }
  if (answer.error !== undefined || !answer.response.ok) throw apiError(answer.error, answer.response.status);
  return answer.data as T;
}

/** A thing and the version that a change is based on; an outdated one is refused. */
export const onVersion = (id: number, version: number) => ({
  params: { path: { id }, header: { 'If-Match': `"${version}"` } },
});
