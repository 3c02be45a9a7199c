import { plural, t } from '@lingui/core/macro';
import { QueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import type {
  BakeryInput,
  BakeryView,
  CalibrationChoicesInput,
  CalibrationView,
  ClockInput,
  ClockView,
  DaysPlanInput,
  DaysPlanView,
  DayView,
  EquipmentInput,
  FaultsInput,
  FormulaInput,
  FormulaVersionView,
  HoldInput,
  JournalView,
  MoveInput,
  MoveView,
  NewFormulaInput,
  OrderLineInput,
  OrderLinesInput,
  OrderLinesView,
  OwnIngredientsInput,
  OrderView,
  PlanInput,
  PlanView,
  ProbesView,
  ReadPlanView,
  ReplanView,
  RetimeInput,
  RulesInput,
  SetupChanges,
  SetupChangeView,
  SetupFile,
  SetupFileInput,
  StandingOrderInput,
  StandingOrderView,
  TakeInput,
  TakenView,
  TakeSetupFileInput,
  WellbeingView,
  WeekView,
} from '@jokul/contracts';
import { ingredients, libraryOf, wallClock, withoutFoods, type Formula, type Library } from '@jokul/core';
import { ApiProblem, call, get } from './api';
import { askClock, lastKnownClock, nowMs, setClock } from './now';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      retry: (count, error) => error instanceof ApiProblem && error.passing && count < 20,
      retryDelay: (count) => Math.min(5000, 500 * 2 ** count),
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

/** What changes rarely. */
export const useBakery = () =>
  useQuery({
    queryKey: ['bakery'],
    queryFn: async () => {
      // The clock is asked for by itself: the rest may come from what this device keeps for when the server is away.
      const [bakery, asked] = await Promise.all([get<BakeryView>('bakery'), askClock().catch(() => null)]);
      const clock = asked ?? lastKnownClock() ?? bakery.clock;
      // Before anything asks what day it is.
      setClock(clock);
      return { ...bakery, clock };
    },
  });

/** What ships with Jokul and the bakery's own ingredients. */
export const useLibrary = (): Library => {
  const own = useBakery().data?.ownIngredients;
  return own ? libraryOf(own) : ingredients;
};

/** The bakery's today by its own clock and zone: a wall display goes over midnight by itself. */
export const useToday = (): string | undefined => {
  const timeZone = useBakery().data?.rules.timeZone;
  return useSyncExternalStore(everyFewSeconds, () =>
    timeZone === undefined ? undefined : wallClock(nowMs() / 1000, timeZone).date,
  );
};
const everyFewSeconds = (look: () => void) => {
  const timer = setInterval(look, 5000);
  return () => clearInterval(timer);
};

/** The bake day that is looked at: from the address, else the bakery's own today. */
export const useDayDate = (): string | undefined => {
  const [search] = useSearchParams();
  const today = useToday();
  return search.get('day') ?? today;
};

export const useDay = () => {
  const date = useDayDate();
  return useQuery({
    queryKey: ['day', date],
    queryFn: () => get<DayView>(`days/${date}`),
    enabled: date !== undefined,
  });
};

/** Seven days from a date on, at a glance. */
export const useWeek = (from: string) =>
  useQuery({
    queryKey: ['week', from],
    queryFn: () => get<WeekView>(`weeks/${from}`),
    enabled: from !== '',
    placeholderData: (before: WeekView | undefined) => before,
  });

/** The list of any day. */
export const useOrdersOf = (date: string) =>
  useQuery({ queryKey: ['day', date], queryFn: () => get<DayView>(`days/${date}`) });

export const useFormulaVersions = (code: string) =>
  useQuery({
    queryKey: ['formula', code],
    queryFn: () => get<readonly FormulaVersionView[]>(`formulas/${code}/versions`),
    // A bakery without a formula has none to ask for.
    enabled: code !== '',
  });

export const useJournalBetween = (fromMs: number, toMs: number) =>
  useQuery({
    queryKey: ['journal', fromMs, toMs],
    queryFn: () => get<JournalView>(`journal/between?from=${fromMs}&to=${toMs}`),
    staleTime: 10_000,
  });

/**
 * What the logged bakes say; learning takes some seconds the first time.
 * @param awaited an entry that must be among the bakes: asked again until it is
 */
export const useCalibration = (date: string | undefined, awaited?: string) =>
  useQuery({
    queryKey: ['calibration', date],
    queryFn: () => get<CalibrationView>(`days/${date}/calibration`),
    enabled: date !== undefined,
    staleTime: 0,
    placeholderData: (before) => before,
    refetchInterval: ({ state }) =>
      awaited !== undefined && !state.data?.bakes.some(({ id }) => id === awaited) ? 2500 : false,
  });

/** What the probes of the cold places saw since a moment; looked at again every half minute. */
export const useProbes = (fromMs: number, enabled = true) =>
  useQuery({
    queryKey: ['probes', Math.floor(fromMs / 3600e3)],
    queryFn: () => get<ProbesView>(`probes?from=${Math.floor(fromMs / 3600e3) * 3600e3}`),
    enabled,
    refetchInterval: 30_000,
    staleTime: 15_000,
    placeholderData: (before) => before,
  });

/** How Jokul itself is; looked at again every half minute. */
export const useWellbeing = () =>
  useQuery({
    queryKey: ['wellbeing'],
    queryFn: () => get<WellbeingView>('wellbeing'),
    refetchInterval: 30_000,
    staleTime: 10_000,
  });

/** Rows changed somewhere: look again at everything that is shown. */
export const refreshRows = () =>
  queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'journal' });

export const useAddOrder = (date: string) =>
  useMutation({
    mutationFn: (input: OrderLineInput) => call<OrderView>('POST', `days/${date}/orders`, input),
    onSettled: refreshRows,
  });
/** Several lines at once: all of them, or none. */
export const useAddOrders = (date: string) =>
  useMutation({
    mutationFn: (lines: OrderLinesInput['lines']) =>
      call<OrderLinesView>('POST', `days/${date}/orders/many`, { lines }),
    onSettled: refreshRows,
  });
export const useChangeOrder = () =>
  useMutation({
    mutationFn: ({ id, ...input }: OrderLineInput & { id: string }) =>
      call<OrderView>('PUT', `orders/${id}`, input),
    onSettled: refreshRows,
  });
export const useRemoveOrder = () =>
  useMutation({
    mutationFn: ({ id, version }: Pick<OrderView, 'id' | 'version'>) =>
      call<null>('DELETE', `orders/${id}?version=${version}`),
    onSettled: refreshRows,
  });
/** A line of a standing order is again what stands, for one day. */
export const useTakeBack = (date: string) =>
  useMutation({
    mutationFn: (standingId: string) => call<null>('DELETE', `days/${date}/standing/${standingId}`),
    onSettled: refreshRows,
  });
/** Standing orders that are in force on a day or later. */
export const useStanding = (from: string) =>
  useQuery({
    queryKey: ['standing', from],
    queryFn: () => get<readonly StandingOrderView[]>(`standing?from=${from}`),
  });
/** Writes a new one, or changes one from a day on. */
export const useSaveStanding = () =>
  useMutation({
    mutationFn: ({ id, input }: { id: string | null; input: StandingOrderInput }) =>
      id === null
        ? call<StandingOrderView>('POST', 'standing', input)
        : call<StandingOrderView>('PUT', `standing/${id}`, input),
    onSettled: refreshRows,
  });
export const useEndStanding = () =>
  useMutation({
    mutationFn: ({ id, version, from }: Pick<StandingOrderView, 'id' | 'version'> & { from: string }) =>
      call<null>('DELETE', `standing/${id}?from=${from}&version=${version}`),
    onSettled: refreshRows,
  });
/** Says by itself how it went: the button that asked may be gone by then, with the news that it made. */
export const useMakePlan = (date: string) =>
  useMutation({
    mutationFn: (how: PlanInput = {}) => call<PlanView>('POST', `days/${date}/plan`, how),
    onSuccess: ({ plan }) =>
      toast(
        plan.unplaced.length === 0
          ? t`Planned: ${plural(plan.batches.length, { one: '# batch', other: '# batches' })}, all ready in time.`
          : t`Planned, but ${plan.unplaced.length} could not be placed: see Day.`,
      ),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
export const useMakePlans = (date: string) =>
  useMutation({
    mutationFn: (input: DaysPlanInput) => call<DaysPlanView>('POST', `days/${date}/plan/days`, input),
    onSettled: refreshRows,
  });
export const useSaveFormula = (code: string) =>
  useMutation({
    mutationFn: (input: FormulaInput) =>
      call<Formula>('POST', `formulas/${code}/versions`, withoutFoods(input)),
    onSettled: refreshRows,
  });
export const useNewFormula = () =>
  useMutation({
    mutationFn: (input: NewFormulaInput) => call<Formula>('POST', 'formulas', withoutFoods(input)),
    onSettled: refreshRows,
  });
export const useSaveIngredients = () =>
  useMutation({
    mutationFn: (input: OwnIngredientsInput) => call<BakeryView>('PUT', 'ingredients', input),
    onSettled: refreshRows,
  });
export const useSaveRules = () =>
  useMutation({
    mutationFn: (input: RulesInput) => call<BakeryView>('PUT', 'rules', input),
    onSettled: refreshRows,
  });
export const useNameBakery = () =>
  useMutation({
    mutationFn: (input: BakeryInput) => call<BakeryView>('PUT', 'bakery', input),
    onSettled: refreshRows,
  });
export const useLookAtSetup = () =>
  useMutation({
    mutationFn: (input: SetupFileInput) => call<SetupChanges>('POST', 'setup/file/look', input),
  });
export const useTakeSetup = () =>
  useMutation({
    mutationFn: (input: TakeSetupFileInput) => call<SetupChanges>('PUT', 'setup/file', input),
    onSettled: refreshRows,
  });
/** What was changed in Setup; asked anew when anything of it has another version. */
export const useSetupHistory = ({
  name,
  equipmentVersion,
  rulesVersion,
  ownIngredientsVersion,
}: BakeryView) =>
  useQuery({
    queryKey: ['setup-changes', name, equipmentVersion, rulesVersion, ownIngredientsVersion],
    queryFn: () => get<readonly SetupChangeView[]>('setup/changes'),
    placeholderData: (before: readonly SetupChangeView[] | undefined) => before,
  });
/** The setup with one part as it was before a change. */
export const askSetupBefore = (change: number) => get<SetupFile>(`setup/changes/${change}/before`);
/** All that is set up, as it is now. */
export const askSetup = () => get<SetupFile>('setup/file');
export const useSaveEquipment = () =>
  useMutation({
    mutationFn: (input: EquipmentInput) => call<BakeryView>('PUT', 'equipment', input),
    onSettled: refreshRows,
  });
export const useSetClock = () =>
  useMutation({
    mutationFn: (input: ClockInput) => call<ClockView>('PUT', 'clock', input),
    onSettled: refreshRows,
  });

const calibrationStep = (date: string, step: 'use' | 'undo') => (version: number) =>
  call<CalibrationView>('POST', `days/${date}/calibration/${step}`, { version });
/** Takes what was learned into force, or back, and times the loads of the day by it. */
export const useCalibrationStep = (date: string, step: 'use' | 'undo') =>
  useMutation({
    mutationFn: async (version: number) => {
      await calibrationStep(date, step)(version);
      return call<PlanView>('POST', `days/${date}/plan/retime`, {}).catch((error: unknown) => {
        // A day that is not planned yet has nothing to time.
        if (error instanceof ApiProblem && error.code === 'no-plan') return null;
        throw error;
      });
    },
    onSuccess: (plan) => {
      const moved = plan?.moves.length ?? 0;
      toast(
        moved === 0
          ? t`Done. No load of this day changes.`
          : t`Done. ${plural(moved, { one: '# load has', other: '# loads have' })} another pull or start now.`,
      );
    },
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
export const useCalibrationChoices = (date: string) =>
  useMutation({
    mutationFn: (input: CalibrationChoicesInput) =>
      call<CalibrationView>('PUT', `days/${date}/calibration`, input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
export const useRetime = (date: string) =>
  useMutation({
    mutationFn: (input: RetimeInput) => call<PlanView>('POST', `days/${date}/plan/retime`, input),
    onSuccess: ({ moves }) =>
      toast(
        moves.length === 0
          ? t`Nothing had to move.`
          : t`${plural(moves.length, { one: '# load was', other: '# loads were' })} timed again.`,
      ),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
/** A way out of a day that slipped, to be looked at; and taking it. */
export const useReplan = (date: string) =>
  useMutation({ mutationFn: () => call<ReplanView>('POST', `days/${date}/plan/replan`, {}) });
/** Takes a way out or a move by its name, with why where it breaks a rule; the answer names the way back. */
export const useTakeReplan = (date: string) =>
  useMutation({
    mutationFn: ({ id, ...why }: { readonly id: string } & TakeInput) =>
      call<TakenView>('POST', `days/${date}/plan/replan/${id}`, why),
    onSettled: refreshRows,
  });
/** What follows when a load goes elsewhere; asked anew with every plan and every place. */
export const useMove = (date: string, planVersion: number, move: MoveInput | null) =>
  useQuery({
    queryKey: ['move', date, planVersion, move],
    queryFn: () => call<MoveView>('POST', `days/${date}/plan/move`, move ?? undefined),
    enabled: move !== null,
    staleTime: 10_000,
    retry: false,
    placeholderData: (before) => before,
  });
/** What a plan from a file would change; nothing is changed by asking. */
export const useReadPlan = (date: string) =>
  useMutation({
    mutationFn: async (file: File) => {
      let plan: unknown;
      try {
        plan = JSON.parse(await file.text());
      } catch {
        throw new Error(t`${file.name} cannot be read: it is no plan that Jokul saved. Nothing was changed.`);
      }
      return call<ReadPlanView>('POST', `days/${date}/plan/file`, plan);
    },
  });
export const useHold = (date: string) =>
  useMutation({
    mutationFn: (input: HoldInput) => call<PlanView>('POST', `days/${date}/plan/held`, input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
export const usePlayFaults = () =>
  useMutation({
    mutationFn: (input: FaultsInput) => call<ProbesView>('PUT', 'probes/faults', input),
    onError: (error) => toast.error(error.message, { duration: 12_000 }),
    onSettled: refreshRows,
  });
