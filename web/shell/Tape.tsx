import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { Settings } from 'lucide-react';
import { styled } from 'styled-components';
import { useTape, usePlace } from '../data/queries.ts';
import { useSession } from '../data/whoIsHere.ts';
import { useOpenDesign } from '../design/store.ts';
import { text } from './text.ts';

/** The seven stations of the day, in order; those of one design carry its number in the address. */
export const STATIONS = [
  { id: 'gather', name: text('gather'), ofDesign: false },
  { id: 'shape', name: text('shape'), ofDesign: true },
  { id: 'check', name: text('check'), ofDesign: true },
  { id: 'price', name: text('price'), ofDesign: true },
  { id: 'make', name: text('make'), ofDesign: true },
  { id: 'lend', name: text('lend'), ofDesign: false },
  { id: 'watch', name: text('watch'), ofDesign: false },
] as const;
type StationId = (typeof STATIONS)[number]['id'];

const Bar = styled.nav`
  display: flex;
  align-items: stretch;
  min-height: 70px;
  padding-left: 16px;
  position: relative;
  .mark {
    width: 212px;
    display: flex;
    align-items: center;
    gap: 10px;
    font: 800 20px/1 var(--display);
    color: var(--ink);
    text-decoration: none;
    flex: none;
    > span {
      display: grid;
      gap: 3px;
    }
    small {
      font: 600 13px/1 var(--body);
      color: var(--fox-deep);
      text-decoration: underline;
      text-underline-offset: 2px;
    }
    &[aria-current] small {
      text-decoration: none;
      font-weight: 800;
    }
  }
  .blade {
    margin: 9px 0 0;
    height: 54px;
    display: flex;
    flex: 1;
    min-width: 0;
    position: relative;
    background: var(--tape-far);
    border-radius: 4px 0 0 4px;
    overflow-x: auto;
    overflow-y: hidden;
    scrollbar-width: none;
    /* Where it is wider than the screen it fades out: it goes on to the right. */
    @media (max-width: 1000px) {
      mask-image: linear-gradient(to right, #000 calc(100% - 36px), transparent);
    }
  }
  .end {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 9px 12px 7px 14px;
    background: var(--tape-far);
    margin-top: 9px;
    height: 54px;
    color: var(--slate);
    font-size: 13px;
    flex: none;
  }
  .end a {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    min-height: 44px;
    color: var(--ink);
    text-decoration: none;
    border-radius: 8px;
    padding: 0 6px;
    white-space: nowrap;
    max-width: 180px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .end a:hover {
    text-decoration: underline;
  }
  @media (max-width: 1100px) {
    .mark {
      width: 60px;
      flex-direction: column;
      justify-content: center;
      gap: 2px;
      b {
        display: none;
      }
    }
    .end a span {
      display: none;
    }
    .end a b {
      max-width: 64px;
      overflow: hidden;
      text-overflow: ellipsis;
    }
  }
  @media (max-width: 700px) {
    padding-left: 8px;
    .mark {
      width: 44px;
    }
    .end {
      padding: 9px 6px 7px;
    }
  }
`;
const Station = styled(NavLink)<{ $pulled: boolean }>`
  position: relative;
  flex: 1 0 104px;
  max-width: 136px;
  padding: 5px 8px 0 11px;
  font: 700 16px/1.15 var(--display);
  text-decoration: none;
  color: var(--ink);
  background: ${(p) => (p.$pulled ? 'var(--tape)' : 'transparent')};
  box-shadow: ${(p) => (p.$pulled ? 'inset 0 -2px 0 var(--tape-shade)' : 'none')};
  opacity: 1;
  small {
    font: 400 12px/1.1 var(--body);
    display: block;
    margin-top: 2px;
    color: ${(p) => (p.$pulled ? '#453d20' : '#574f3c')};
    white-space: nowrap;
  }
  ${(p) => !p.$pulled && 'font-weight: 600; color: #4d4636;'}
  &::before {
    content: '';
    position: absolute;
    left: 0;
    bottom: 0;
    width: 2px;
    height: 20px;
    background: var(--ink);
  }
  &::after {
    content: '';
    position: absolute;
    left: 0;
    right: 0;
    bottom: 0;
    height: 7px;
    background: repeating-linear-gradient(90deg, transparent 0 11.4px, rgba(30, 42, 44, 0.55) 11.4px 12.4px);
    pointer-events: none;
  }
  &:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &:focus-visible {
    outline-offset: -4px;
  }
  .hook {
    position: absolute;
    right: -5px;
    top: -2px;
    bottom: -2px;
    width: 9px;
    background: #6f7774;
    border-radius: 0 3px 3px 0;
    z-index: 2;
  }
`;

const one = (n: number, word: string, many = `${word}s`): string => `${n} ${n === 1 ? word : many}`;

/** The way through the day: a tape measure pulled out as far as the station that is open. */
export function Tape() {
  const { data: figures } = useTape();
  const { data: place } = usePlace();
  const person = useSession().data?.person;
  const { pathname } = useLocation();
  const openId = useOpenDesign((s) => s.draft?.id);
  const blade = useRef<HTMLDivElement>(null);
  const here = STATIONS.findIndex((s) => pathname.startsWith(`/${s.id}`));
  useEffect(() => {
    // On a phone the tape is longer than the screen: keep its open end in sight.
    const station = here < 0 ? null : blade.current?.children[here];
    if (station instanceof HTMLElement && blade.current)
      blade.current.scrollLeft = station.offsetLeft + station.offsetWidth + 12 - blade.current.clientWidth;
  }, [here, figures]);
  const figure: Record<StationId, string> | null = figures
    ? {
        gather: text('kept', { kept: one(figures.gather.kept, 'material') }),
        shape: `${one(figures.shape.designs, 'design')}`,
        check: `${one(figures.check.designs, 'design')}`,
        price: one(figures.price.offers, 'offer'),
        make: text('made', { made: one(figures.make.made, 'kit') }),
        lend:
          figures.lend.late > 0
            ? text('outOverdue', { out: figures.lend.out, late: figures.lend.late })
            : text('out', { out: figures.lend.out }),
        watch: one(figures.watch.notes, 'note'),
      }
    : null;
  return (
    <Bar aria-label={text('stations')}>
      <NavLink to="/today" className="mark" aria-label={text('foxButtonToday')}>
        <svg width="34" height="34" viewBox="0 0 32 32" aria-hidden>
          <path d="M3 3l8 5h10l8-5-2 15a11 11 0 0 1-22 0z" fill="var(--fox)" />
          <circle cx="16" cy="18" r="8" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
          {[13.4, 18.6].map((x) =>
            [15.6, 20.6].map((y) => <circle key={`${x}${y}`} cx={x} cy={y} r="1.4" fill="var(--ink)" />),
          )}
        </svg>
        <span>
          <b>{text('foxButton')}</b>
          <small>{text('today')}</small>
        </span>
      </NavLink>
      <div className="blade" ref={blade}>
        {STATIONS.map((s, i) => (
          <Station
            key={s.id}
            to={s.ofDesign && openId !== undefined ? `/${s.id}/${openId}` : `/${s.id}`}
            $pulled={i <= here}
          >
            {s.name}
            <small>{figure?.[s.id] ?? '\u00a0'}</small>
            {i === here && <span className="hook" aria-hidden />}
          </Station>
        ))}
      </div>
      <div className="end">
        <NavLink
          to="/place"
          aria-label={
            person
              ? text('thisPlaceOf', { place: place?.name ?? '', person: person.name })
              : text('thisPlace', { place: place?.name ?? '' })
          }
        >
          <Settings size={18} aria-hidden />
          {person && <b>{person.name}</b>}
          <span>{place ? `${place.name} · ${place.lengthUnit}` : ''}</span>
        </NavLink>
      </div>
    </Bar>
  );
}
