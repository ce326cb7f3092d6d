import { useEffect } from 'react';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { Button } from './parts/Button';
import { Failed, Frame } from './parts/Frame';
import { KeysProvider } from './parts/keys';
import { WorkingSheet } from './parts/working';
import { JobCardScreen } from './screens/JobCardScreen';
import { JobScreen } from './screens/JobScreen';
import { JobsScreen } from './screens/JobsScreen';
import { LogScreen } from './screens/LogScreen';
import { NewJobScreen } from './screens/NewJobScreen';
import { NewMachineScreen } from './screens/NewMachineScreen';
import { RulesScreen } from './screens/RulesScreen';
import { StockScreen } from './screens/StockScreen';
import { WorkingsScreen } from './screens/WorkingsScreen';
import { useApp, useDo } from './store';
import { whoChosen } from './store/prefs-slice';
import { loadShop } from './store/shop-slice';

/** Day or night, as chosen or as the machine has it. */
const useTheme = () => {
  const theme = useApp((s) => s.prefs.theme);
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const apply = () => document.documentElement.classList.toggle('dark', theme === 'night' || (theme === 'auto' && dark.matches));
    apply();
    dark.addEventListener('change', apply);
    return () => dark.removeEventListener('change', apply);
  }, [theme]);
};

const NoSuchScreen = () => (
  <Frame title="There is nothing here">
    <Link className="btn" to="/">All jobs</Link>
  </Frame>
);

const Screens = () => {
  const dispatch = useDo();
  const status = useApp((s) => s.shop.status);
  const problem = useApp((s) => s.shop.problem);
  const people = useApp((s) => s.shop.shop?.people);
  const who = useApp((s) => s.prefs.who);
  useTheme();
  useEffect(() => {
    void dispatch(loadShop());
  }, [dispatch]);
  useEffect(() => {
    // Somebody has to be at the bench; the stamp changes who.
    if (people && people.length > 0 && !people.includes(who)) dispatch(whoChosen(people[0]!));
  }, [dispatch, people, who]);
  if (status === 'failed')
    return (
      <Frame title="Tough Rimstone">
        <Failed message={problem ?? 'The server does not answer.'}>
          <Button onClick={() => void dispatch(loadShop())}>Try again</Button>
        </Failed>
      </Frame>
    );
  return (
    <Routes>
      <Route path="/" element={<JobsScreen />} />
      <Route path="/jobs/new" element={<NewJobScreen />} />
      <Route path="/jobs/:id/card" element={<JobCardScreen />} />
      <Route path="/jobs/:id/log" element={<LogScreen />} />
      <Route path="/jobs/:id/:station?" element={<JobScreen />} />
      <Route path="/machines/new" element={<NewMachineScreen />} />
      <Route path="/rules" element={<RulesScreen />} />
      <Route path="/stock/:kind?" element={<StockScreen />} />
      <Route path="/workings/:name?" element={<WorkingsScreen />} />
      <Route path="*" element={<NoSuchScreen />} />
    </Routes>
  );
};

export const App = () => (
  <BrowserRouter>
    <KeysProvider>
      <WorkingSheet>
        <Screens />
      </WorkingSheet>
    </KeysProvider>
  </BrowserRouter>
);
