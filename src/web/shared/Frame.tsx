import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Link, NavLink, useLocation } from 'react-router';
import type { ReactNode } from 'react';
import { useApp } from '../store';
import { BenchMenu } from './BenchMenu';
import { KeyHelp } from '../parts/KeyHelp';
import { KeysPause } from '../parts/keys';
import { ConnectionStatus } from './ConnectionStatus';

const PLACES = [
  ['/', 'Today'],
  ['/jobs', 'Jobs'],
  ['/records', 'Records'],
  ['/rules', 'Rules'],
] as const;

/** The tools in the menu: things to reckon, read and learn with. */
const TOOLS = [
  ['/rechecks', 'Rechecks'],
  ['/orders', 'Parts to order'],
  ['/bench/sizes', 'Compare sizes'],
  ['/bench/sidewall', 'Sidewall reader'],
  ['/workings', 'Calculators'],
  ['/instruments', 'Instruments'],
  ['/practice', 'Practice'],
  ['/knows', 'Shop stats'],
  ['/people', 'People'],
  ['/changes', 'Change log'],
  ['/backups', 'Backups'],
] as const;

const placeClass = (isActive: boolean): string =>
  `head inline-flex min-h-12 items-center rounded-b-xl border-b-4 px-2 text-lg no-underline max-sm:px-1 max-sm:text-[16px] ${isActive ? 'border-water' : 'border-transparent text-ink2 hover:border-stone3'}`;

/** The main navigation, on one line also on a phone. */
const Navigation = () => {
  const { pathname } = useLocation();
  const tool = TOOLS.find(([to]) => pathname.startsWith(to));
  return (
    <nav aria-label="Shop" className="flex gap-1">
      {PLACES.map(([to, text]) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          className={({ isActive }) => placeClass(isActive)}
        >
          {text}
        </NavLink>
      ))}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className={`${placeClass(tool !== undefined)} cursor-pointer gap-1 whitespace-nowrap`}
        >
          Tools
          {tool && <span className="font-normal text-ink2 max-sm:hidden">: {tool[1]}</span>}
          <ChevronDown size={18} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="start"
            sideOffset={6}
            className="z-40 min-w-52 rounded-2xl border-2 border-ink bg-stone p-2"
          >
            <KeysPause />
            {TOOLS.map(([to, text]) => (
              <DropdownMenu.Item key={to} asChild>
                <Link
                  to={to}
                  aria-current={tool?.[0] === to ? 'page' : undefined}
                  className="head flex min-h-12 items-center rounded-xl px-3 text-lg no-underline hover:bg-stone2 focus:bg-stone2"
                >
                  {text}
                </Link>
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </nav>
  );
};

/** Everything outside a job: the shop's name, where one can go, and one column of content. */
export const Frame = ({
  title,
  actions,
  children,
}: {
  title: string;
  actions?: ReactNode;
  children: ReactNode;
}) => {
  const shop = useApp((s) => s.shop.shop?.name);
  return (
    <div className="mx-auto flex min-h-screen max-w-[1240px] flex-col px-5">
      <header className="no-print flex items-center gap-x-4 py-3">
        <Link to="/" className="head text-xl whitespace-nowrap no-underline max-sm:hidden">
          Tough Rimstone
        </Link>
        <Navigation />
        <span className="ml-auto min-w-0 flex-1 truncate text-right text-ink2 max-lg:hidden">
          {shop}
        </span>
        <span className="flex items-center gap-2 max-lg:ml-auto">
          <ConnectionStatus />
          <BenchMenu />
        </span>
      </header>
      <main className="flex-1 pb-10">
        <div className="mt-2 mb-4 flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-[38px]">{title}</h1>
          {actions}
        </div>
        {children}
      </main>
      <footer className="no-print flex justify-end border-t border-stone3 py-1">
        <KeyHelp />
      </footer>
    </div>
  );
};

/** While something is on its way. */
export const Waiting = ({ what }: { what: string }) => (
  <p role="status" className="py-16 text-center text-xl text-ink2">
    {what} …
  </p>
);

/** When something could not be had, with the way on. */
export const Failed = ({ message, children }: { message: string; children?: ReactNode }) => (
  <div role="alert" className="my-10 border-l-8 border-stop bg-paper p-5">
    <p className="text-xl">{message}</p>
    <div className="mt-3 flex gap-3">{children}</div>
  </div>
);
