import type {
  AppendView,
  BackupMadeView,
  BackupsView,
  BakeAnswer,
  BakeryView,
  CalibrateAnswer,
  CalibrationView,
  ClockView,
  ColdAnswer,
  ConvertAnswer,
  DayAnswer,
  DaysPlanView,
  DayView,
  FormulaVersionView,
  JournalView,
  LogCheckView,
  NewsView,
  TablesMadeView,
  MoveView,
  OrderLinesView,
  OrderView,
  PlanAnswer,
  PlanView,
  ProbesView,
  ProblemView,
  ReadAnswer,
  ReadPlanView,
  ReplanView,
  ScaleAnswer,
  SetupChanges,
  SetupChangeView,
  SetupFile,
  StandingOrderView,
  TakenView,
  TrayAnswer,
  WeighCheckAnswer,
  WeekView,
  WellbeingView,
  WhatIfView,
} from '@jokul/contracts';
import type { Formula } from '@jokul/core';

interface Backups {
  readonly backups: BackupsView | null;
}

/**
 * What each request is answered with, for the description at /api/docs. The schemas in answers.schema.json are made from
 * these types by `npm run answers`; a test holds real answers against them.
 */
export interface Answers {
  'GET /api/backups': Backups;
  'PUT /api/backups': Backups;
  'POST /api/backups': BackupMadeView;
  'POST /api/backups/tables': TablesMadeView;
  'GET /api/bakery': BakeryView;
  'PUT /api/bakery': BakeryView;
  'POST /api/bakery/open': { readonly kind: 'demo' | 'own'; readonly id: string };
  'POST /api/calc/bake': BakeAnswer;
  'POST /api/calc/calibrate': CalibrateAnswer;
  'POST /api/calc/cold': ColdAnswer;
  'POST /api/calc/convert': ConvertAnswer;
  'POST /api/calc/day': DayAnswer;
  'POST /api/calc/plan': PlanAnswer;
  'POST /api/calc/read': ReadAnswer;
  'POST /api/calc/scale': ScaleAnswer;
  'POST /api/calc/tray': TrayAnswer;
  'POST /api/calc/weigh-check': WeighCheckAnswer;
  'GET /api/clock': ClockView;
  'PUT /api/clock': ClockView;
  'GET /api/days/{date}': DayView;
  'GET /api/days/{date}/calibration': CalibrationView;
  'PUT /api/days/{date}/calibration': CalibrationView;
  'POST /api/days/{date}/calibration/undo': CalibrationView;
  'POST /api/days/{date}/calibration/use': CalibrationView;
  'POST /api/days/{date}/orders': OrderView;
  'POST /api/days/{date}/orders/many': OrderLinesView;
  'POST /api/days/{date}/plan': PlanView;
  'POST /api/days/{date}/plan/days': DaysPlanView;
  'POST /api/days/{date}/plan/file': ReadPlanView;
  'POST /api/days/{date}/plan/held': PlanView;
  'POST /api/days/{date}/plan/move': MoveView;
  'POST /api/days/{date}/plan/replan': ReplanView;
  'POST /api/days/{date}/plan/replan/{id}': TakenView;
  'POST /api/days/{date}/plan/retime': PlanView;
  'POST /api/days/{date}/plan/what-if': WhatIfView;
  'POST /api/days/{date}/plan/what-if/{id}': TakenView;
  'POST /api/days/{date}/plan/what-if/{id}/undo': PlanView | null;
  'PUT /api/equipment': BakeryView;
  'POST /api/formulas': Formula;
  'GET /api/formulas/{code}/versions': readonly FormulaVersionView[];
  'POST /api/formulas/{code}/versions': Formula;
  'GET /api/health': { readonly status: 'ready' };
  'GET /api/health/live': { readonly status: 'alive' };
  'GET /api/health/ready': { readonly status: 'ready' };
  'PUT /api/ingredients': BakeryView;
  'PUT /api/prices': BakeryView;
  'GET /api/journal': JournalView;
  'POST /api/journal': AppendView;
  'GET /api/journal/between': JournalView;
  'GET /api/journal/news': NewsView;
  'GET /api/journal/verify': LogCheckView;
  'PUT /api/orders/{id}': OrderView;
  'GET /api/probes': ProbesView;
  'PUT /api/probes/faults': ProbesView;
  'PUT /api/rules': BakeryView;
  'GET /api/setup/changes': readonly SetupChangeView[];
  'GET /api/setup/changes/{id}/before': SetupFile;
  'GET /api/setup/file': SetupFile;
  'PUT /api/setup/file': SetupChanges;
  'POST /api/setup/file/look': SetupChanges;
  'GET /api/standing': readonly StandingOrderView[];
  'POST /api/standing': StandingOrderView;
  'PUT /api/standing/{id}': StandingOrderView;
  'GET /api/weeks/{date}': WeekView;
  'GET /api/wellbeing': WellbeingView;
  /** Whatever cannot be done: a sentence, and where in the request the trouble is. */
  problem: ProblemView;
}
