import { NavLink, Link } from 'react-router';
import type { ReactNode } from 'react';
import { useApp } from '../store';
import { Bench } from './Bench';
import { KeyHelp } from './KeyHelp';

const PLACES = [
  ['/', 'Jobs'],
  ['/records', 'Records'],
  ['/bench/sizes', 'Size bench'],
  ['/bench/sidewall', 'Sidewall'],
  ['/practice', 'Practice'],
  ['/instruments', 'Instruments'],
  ['/rules', 'Rules'],
  ['/workings', 'Workings'],
] as const;

/** Everything outside a job: the shop's name, where one can go, and one column of content. */
export const Frame = ({ title, actions, children }: { title: string; actions?: ReactNode; children: ReactNode }) => {
  const shop = useApp((s) => s.shop.shop?.name);
  return (
    <div className="mx-auto flex min-h-screen max-w-[1240px] flex-col px-5">
      <header className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
        <Link to="/" className="head text-xl no-underline">
          Tough Rimstone
        </Link>
        <nav aria-label="Shop" className="flex flex-wrap gap-1">
          {PLACES.map(([to, text]) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `head inline-flex min-h-12 items-center rounded-b-xl border-b-4 px-2 text-lg no-underline ${isActive ? 'border-water' : 'border-transparent text-ink2 hover:border-stone3'}`
              }
            >
              {text}
            </NavLink>
          ))}
        </nav>
        <span className="ml-auto min-w-0 flex-1 truncate text-right text-ink2 max-lg:hidden">{shop}</span>
        <Bench />
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
