import { lazy, Suspense, useEffect } from 'react';
import { BrowserRouter, Link, Navigate, Route, Routes, useLocation } from 'react-router';
import { Button } from './parts/Button';
import { ConfirmGate } from './shared/ConfirmGate';
import { Fallback } from './parts/Fallback';
import { Failed, Frame, Waiting } from './shared/Frame';
import { KeysProvider } from './parts/keys';
import { useLock } from './shared/use-lock';
import { WorkingSheet } from './shared/working';
import { TodayScreen } from './screens/TodayScreen';
import { useApp, useDo } from './store';
import { whoChosen } from './store/prefs-slice';
import { needsSignIn } from './store/auth-slice';
import { loadShop } from './store/shop-slice';

/** Screens come when they are asked for: the first one is there sooner. */
const JobScreen = lazy(() => import('./screens/JobScreen').then((m) => ({ default: m.JobScreen })));
const JobsScreen = lazy(() =>
  import('./screens/JobsScreen').then((m) => ({ default: m.JobsScreen })),
);
const JobCardScreen = lazy(() =>
  import('./screens/JobCardScreen').then((m) => ({ default: m.JobCardScreen })),
);
const LogScreen = lazy(() => import('./screens/LogScreen').then((m) => ({ default: m.LogScreen })));
const NewJobScreen = lazy(() =>
  import('./screens/NewJobScreen').then((m) => ({ default: m.NewJobScreen })),
);
const RecordsScreen = lazy(() =>
  import('./screens/RecordsScreen').then((m) => ({ default: m.RecordsScreen })),
);
const ShopStatsScreen = lazy(() =>
  import('./screens/ShopStatsScreen').then((m) => ({ default: m.ShopStatsScreen })),
);
const BackupsScreen = lazy(() =>
  import('./screens/BackupsScreen').then((m) => ({ default: m.BackupsScreen })),
);
const OrdersScreen = lazy(() =>
  import('./screens/OrdersScreen').then((m) => ({ default: m.OrdersScreen })),
);
const PlanScreen = lazy(() =>
  import('./screens/PlanScreen').then((m) => ({ default: m.PlanScreen })),
);
const RechecksScreen = lazy(() =>
  import('./screens/RechecksScreen').then((m) => ({ default: m.RechecksScreen })),
);
const RiderScreen = lazy(() =>
  import('./screens/RiderScreen').then((m) => ({ default: m.RiderScreen })),
);
const ChangesScreen = lazy(() =>
  import('./screens/ChangesScreen').then((m) => ({ default: m.ChangesScreen })),
);
const PeopleScreen = lazy(() =>
  import('./screens/PeopleScreen').then((m) => ({ default: m.PeopleScreen })),
);
const SignInScreen = lazy(() =>
  import('./screens/SignInScreen').then((m) => ({ default: m.SignInScreen })),
);
const DeviceSignInScreen = lazy(() =>
  import('./screens/DeviceSignInScreen').then((m) => ({ default: m.DeviceSignInScreen })),
);
const RulesScreen = lazy(() =>
  import('./screens/RulesScreen').then((m) => ({ default: m.RulesScreen })),
);
const SidewallScreen = lazy(() =>
  import('./screens/SidewallScreen').then((m) => ({ default: m.SidewallScreen })),
);
const SizeBenchScreen = lazy(() =>
  import('./screens/SizeBenchScreen').then((m) => ({ default: m.SizeBenchScreen })),
);
const PairScreen = lazy(() =>
  import('./screens/PairScreen').then((m) => ({ default: m.PairScreen })),
);
const RiderPaperScreen = lazy(() =>
  import('./screens/RiderPaperScreen').then((m) => ({ default: m.RiderPaperScreen })),
);
const VisitScreen = lazy(() =>
  import('./screens/VisitScreen').then((m) => ({ default: m.VisitScreen })),
);
const WheelScreen = lazy(() =>
  import('./screens/WheelScreen').then((m) => ({ default: m.WheelScreen })),
);
const WheelTagScreen = lazy(() =>
  import('./screens/WheelTagScreen').then((m) => ({ default: m.WheelTagScreen })),
);
const WorkingsScreen = lazy(() =>
  import('./screens/WorkingsScreen').then((m) => ({ default: m.WorkingsScreen })),
);
const InstrumentsScreen = lazy(() =>
  import('./screens/InstrumentsScreen').then((m) => ({ default: m.InstrumentsScreen })),
);
const PracticeScreen = lazy(() =>
  import('./screens/PracticeScreen').then((m) => ({ default: m.PracticeScreen })),
);
const NewMachineScreen = lazy(() =>
  import('./screens/NewMachineScreen').then((m) => ({ default: m.NewMachineScreen })),
);

/** Day or night, as chosen or same as device. */
const useTheme = () => {
  const theme = useApp((s) => s.prefs.theme);
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const apply = () =>
      document.documentElement.classList.toggle(
        'dark',
        theme === 'night' || (theme === 'auto' && dark.matches),
      );
    apply();
    dark.addEventListener('change', apply);
    return () => dark.removeEventListener('change', apply);
  }, [theme]);
};

/** The day; an address of the time when the list of jobs stood here leads to it. */
const Home = () => {
  const { search } = useLocation();
  return /[?&](search|from|to)=/.test(search) ? (
    <Navigate replace to={`/jobs${search}`} />
  ) : (
    <TodayScreen />
  );
};

const NoSuchScreen = () => (
  <Frame title="Page not found">
    <Link className="btn" to="/">
      Today
    </Link>
  </Frame>
);

const Screens = () => {
  const dispatch = useDo();
  const status = useApp((s) => s.shop.status);
  const problem = useApp((s) => s.shop.problem);
  const people = useApp((s) => s.shop.shop?.people);
  const who = useApp((s) => s.prefs.who);
  useEffect(() => {
    void dispatch(loadShop());
  }, [dispatch]);
  useEffect(() => {
    // Someone has to be at the bench; the stamp changes who.
    if (people && people.length > 0 && !people.includes(who)) dispatch(whoChosen(people[0]!));
  }, [dispatch, people, who]);
  if (status === 'failed')
    return (
      <Frame title="Tough Rimstone">
        <Failed message={problem ?? 'Can’t reach the shop server.'}>
          <Button onClick={() => void dispatch(loadShop())}>Try again</Button>
        </Failed>
      </Frame>
    );
  return (
    <Suspense
      fallback={
        <Frame title="Tough Rimstone">
          <Waiting what="Loading screen" />
        </Frame>
      }
    >
      <Routes>
        <Route path="/" element={<Home />} />
        <Route path="/jobs" element={<JobsScreen />} />
        <Route path="/visits/:id" element={<VisitScreen />} />
        <Route path="/visits/:id/paper" element={<RiderPaperScreen />} />
        <Route path="/knows" element={<ShopStatsScreen />} />
        <Route path="/orders" element={<OrdersScreen />} />
        <Route path="/backups" element={<BackupsScreen />} />
        <Route path="/riders/:name" element={<RiderScreen />} />
        <Route path="/changes" element={<ChangesScreen />} />
        <Route path="/people" element={<PeopleScreen />} />
        <Route path="/plan" element={<PlanScreen />} />
        <Route path="/rechecks" element={<RechecksScreen />} />
        <Route path="/jobs/new" element={<NewJobScreen />} />
        <Route path="/jobs/:id/card" element={<JobCardScreen />} />
        <Route path="/jobs/:id/log" element={<LogScreen />} />
        <Route path="/jobs/:id/:station?/:view?" element={<JobScreen />} />
        <Route path="/machines/new" element={<NewMachineScreen />} />
        <Route path="/practice" element={<PracticeScreen />} />
        <Route path="/instruments" element={<InstrumentsScreen />} />
        <Route path="/rules" element={<RulesScreen />} />
        <Route path="/records/:kind?" element={<RecordsScreen />} />
        <Route path="/wheels/:id" element={<WheelScreen />} />
        <Route path="/wheels/:id/pair" element={<PairScreen />} />
        <Route path="/wheels/:id/tag" element={<WheelTagScreen />} />
        <Route path="/bench/sizes" element={<SizeBenchScreen />} />
        <Route path="/bench/sidewall" element={<SidewallScreen />} />
        <Route path="/workings/:name?" element={<WorkingsScreen />} />
        <Route path="*" element={<NoSuchScreen />} />
      </Routes>
    </Suspense>
  );
};

/** The screens, for who may see them. */
const Gate = () => {
  const { pathname } = useLocation();
  const shut = useApp(needsSignIn);
  const isSignInOn = useApp((s) => s.auth.areClosed);
  useTheme();
  useLock();
  if (pathname === '/come-in')
    return (
      <Suspense fallback={null}>
        <DeviceSignInScreen />
      </Suspense>
    );
  if (!shut)
    return (
      <>
        <Screens />
        {isSignInOn && <ConfirmGate />}
      </>
    );
  return (
    <Suspense fallback={null}>
      <SignInScreen />
    </Suspense>
  );
};

/** Stands alone: whatever broke must not break this too. */
const BrokenScreen = () => (
  <main className="mx-auto max-w-2xl p-8" role="alert">
    <h1 className="text-3xl">This screen crashed.</h1>
    <p className="my-4">Confirmed entries are saved. Unsent ones are kept in this browser.</p>
    <Button go onClick={() => window.location.reload()}>
      Reload
    </Button>
  </main>
);

export const App = () => (
  <BrowserRouter>
    <KeysProvider>
      <WorkingSheet>
        <Fallback instead={<BrokenScreen />}>
          <Gate />
        </Fallback>
      </WorkingSheet>
    </KeysProvider>
  </BrowserRouter>
);
