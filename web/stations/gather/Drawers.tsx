import { useEffect, useRef } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import { styled } from 'styled-components';
import { text } from './text.ts';

const DRAWERS = [
  ['', text('shelf')],
  ['look-over', text('lookOverFind')],
  ['photo', text('photoDrawer')],
  ['saving', text('savingUp')],
  ['today', text('whatCouldIMake')],
  ['container', text('doesGo')],
  ['prices', text('prices')],
  ['files', text('files')],
] as const;

const Whole = styled.div`
  display: grid;
  gap: 10px;
  grid-template-columns: minmax(0, 1fr);
  /* What lies in a drawer is as high as it is; the shelf alone fills the screen. */
  align-items: start;
  @media (min-width: 1101px) {
    height: 100%;
    grid-template-rows: auto minmax(0, 1fr);
  }
`;
/** Fronts of drawers, each with its label; the open one stands out. */
const Fronts = styled.nav`
  position: relative;
  display: flex;
  gap: 4px;
  overflow-x: auto;
  scrollbar-width: none;
  background: #c39a63;
  border-radius: 10px;
  padding: 5px;
  a {
    flex: 1 0 auto;
    text-align: center;
    font: 600 14px/1 var(--display);
    color: var(--ink);
    text-decoration: none;
    background: #d9b885;
    border-radius: 7px;
    padding: 0 10px;
    min-height: 40px;
    display: grid;
    place-items: center;
    border-bottom: 3px solid #a97f49;
  }
  a.active {
    background: var(--paper);
    border-bottom-color: var(--fox);
    font-weight: 800;
  }
  a:hover {
    background: #e8cfa5;
  }
  a.active:hover {
    background: var(--paper);
  }
  a:focus-visible {
    outline-offset: -3px;
  }
`;

/** The gather station: what is on the shelf and all that brings things there. */
export function Component() {
  const fronts = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    // On a phone the fronts are wider than the screen: keep the open one in sight.
    const open = fronts.current?.querySelector<HTMLElement>('.active');
    if (open && fronts.current)
      fronts.current.scrollLeft = open.offsetLeft - (fronts.current.clientWidth - open.offsetWidth) / 2;
  }, [pathname]);
  return (
    <Whole>
      <Fronts aria-label={text('gather')} ref={fronts}>
        {DRAWERS.map(([to, label]) => (
          <NavLink key={to} to={`/gather${to && `/${to}`}`} end>
            {label}
          </NavLink>
        ))}
      </Fronts>
      <Outlet />
    </Whole>
  );
}
