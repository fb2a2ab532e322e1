/** The wash day as tasks with hours: what runs where and when, and when hands are needed. The open timetable document mirrors it. */
import type { Message } from '../message/message.ts';
import type { PlanWarning } from './plan.ts';

export const taskKinds = [
  'test',
  'pretreat',
  'soak',
  'stir',
  'load',
  'wash',
  'take-out',
  'inspect',
  'hand-wash',
  'spin-only',
  'tumble',
  'tumble-out',
  'hang',
  'lay-flat',
  'dry',
  'flip',
  'cool-check',
  'press',
  'put-away',
  'air',
  'steam',
  'brush',
  'spot-clean',
] as const;
export type TaskKind = (typeof taskKinds)[number];

export const resourceKinds = ['washer', 'dryer', 'basin', 'iron', 'place'] as const;
/** What a task takes while it lasts; of a drying place also how much of it. */
export interface ResourceUse {
  kind: (typeof resourceKinds)[number];
  id: string;
  bars?: number;
  flatM2?: number;
  hangers?: number;
}
export interface TimetableTask {
  /** Unique in the timetable and stable over re-planning: load, kind, and the piece where it is of one piece. */
  id: string;
  /** null = of no load: airing, brushing, steaming, a spot. */
  load: string | null;
  garments: readonly string[];
  kind: TaskKind;
  startMs: number;
  endMs: number;
  /** Hands are needed from start to end. */
  attended: boolean;
  /** Who, from 1; null = nobody has to. */
  person: number | null;
  uses: readonly ResourceUse[];
  /** It starts when all of these have ended, at the latest `maxWaitMin` after the last of them. */
  after: readonly string[];
  maxWaitMin: number | null;
  message: Message;
}
export interface TimetableFigures {
  makespanMin: number;
  /** No order of this work ends sooner. */
  lowerBoundMin: number;
  /** Person-minutes. */
  handsMin: number;
  /** Times anybody is called away from something else. */
  interruptions: number;
  /** Electricity of the machines at their hours, in the money of the household. */
  energyMoney: number;
}
export interface Timetable {
  fromMs: number;
  tasks: readonly TimetableTask[];
  /** null = there is nothing to do. */
  finishMs: number | null;
  /** When each washed piece is in the cupboard. */
  ready: readonly { garment: string; atMs: number }[];
  late: readonly { garment: string; neededByMs: number; atMs: number }[];
  warnings: readonly PlanWarning[];
  figures: TimetableFigures;
}
/** What has happened: a task that began, and perhaps ended. */
export interface TaskProgress {
  task: string;
  startedMs: number;
  /** null = it is under way. */
  endedMs: number | null;
  /** When its clock ends; missing = as long as it was planned. */
  expectedMs?: number | null;
}
