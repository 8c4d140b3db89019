import { lazy, Suspense, useEffect, useRef } from 'react';
import { Outlet, useLocation, useRouteError, isRouteErrorResponse } from 'react-router';
import { styled } from 'styled-components';
import { words } from '../data/api.ts';
import { useSignedOut } from '../data/session.ts';
import { changesWords } from '../data/lost.ts';
import { isAtDesk, useSession } from '../data/whoIsHere.ts';
import { useOpenDesign } from '../design/store.ts';
import { Button, ButtonLink } from '../parts/Button.tsx';
import { Notice, Panel, Row, Stack } from '../parts/Panel.tsx';
import { useAnySaid } from '../parts/messages.ts';
import { STATIONS, Tape } from './Tape.tsx';
import { text } from './text.ts';

const Whole = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: 70px minmax(0, 1fr);
  min-height: 100%;
  height: 100dvh;
  @media (max-width: 1100px) {
    height: auto;
    grid-template-rows: 70px auto;
  }
`;
const Main = styled.main`
  padding: 14px 16px;
  min-height: 0;
  overflow: auto;
  outline: none;
  position: relative;
  @media (max-width: 700px) {
    padding: 10px;
  }
`;
const Skip = styled.a`
  position: absolute;
  left: -999px;
  top: 4px;
  z-index: 30;
  background: var(--ink);
  color: var(--paper);
  padding: 12px 16px;
  border-radius: 8px;
  &:focus {
    left: 8px;
  }
`;

const Conflict = lazy(() => import('../design/Conflict.tsx'));
const SignIn = lazy(() => import('./SignIn.tsx'));
const Toasts = lazy(() => import('../parts/Toasts.tsx'));

export function Shell() {
  const { pathname } = useLocation();
  const isFailed = useOpenDesign((s) => s.saving === 'failed');
  const isConflict = useOpenDesign((s) => s.saving === 'conflict');
  const problem = useOpenDesign((s) => s.problem);
  const retry = useOpenDesign((s) => s.retry);
  const anySaid = useAnySaid();
  const isOut = useSignedOut((s) => s.isOut);
  const { data: session } = useSession();
  const lost = session?.lost ?? 0;
  const locked = isAtDesk(session) ? text('onlyDesigners', { name: session!.person!.name }) : null;
  useEffect(() => useOpenDesign.getState().setLocked(locked), [locked]);
  const who = session === undefined ? undefined : (session.person?.name ?? null);
  useEffect(() => {
    if (who !== undefined) useOpenDesign.getState().setWho(who);
  }, [who]);
  const main = useRef<HTMLElement>(null);
  const station = STATIONS.find((s) => pathname.startsWith(`/${s.id}`));
  useEffect(() => {
    document.title = text('foxButton2', {
      station: station?.name ?? (pathname.startsWith('/today') ? text('today') : text('thisPlace2')),
    });
  }, [station, pathname]);
  const shown = useRef(station?.id);
  useEffect(() => {
    // After a change of station a keyboard and a screen reader go on at its heading, once it is there.
    if (shown.current === station?.id) return;
    shown.current = station?.id;
    const at = main.current;
    if (!at) return;
    const find = (): boolean => {
      const heading = at.querySelector('h1');
      if (!heading) return false;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
      return true;
    };
    if (find()) return;
    const watch = new MutationObserver(() => {
      if (find()) watch.disconnect();
    });
    watch.observe(at, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, [station]);
  useEffect(() => {
    // Closing the page must not lose the last turn of a dial.
    const hold = (e: BeforeUnloadEvent): void => {
      const now = useOpenDesign.getState().saving;
      if (now === 'saved') return;
      useOpenDesign.getState().keep();
      void useOpenDesign.getState().flush();
      e.preventDefault();
    };
    addEventListener('beforeunload', hold);
    return () => removeEventListener('beforeunload', hold);
  }, []);
  return (
    <Whole>
      <Skip href="#main">{text('skipContent')}</Skip>
      <Tape />
      <Main id="main" tabIndex={-1} ref={main}>
        {isFailed && (
          <Notice tone="stop">
            <Row>
              <span>
                <strong>{text('notSavedYet')}</strong> {problem} {text('keptThisBrowserSent')}
              </span>
              <Button plain small onPress={() => void retry()}>
                {text('tryAgain')}
              </Button>
            </Row>
          </Notice>
        )}
        {lost > 0 && !isOut && (
          <Notice tone="stop">
            <Row>
              <span>
                <strong>{text('missing', { lost: changesWords(lost) })}</strong> {text('placesFileWasFound')}
              </span>
              <ButtonLink plain small to="/place#backups">
                {text('seeCopies')}
              </ButtonLink>
            </Row>
          </Notice>
        )}
        {/* What was typed stays: the page is hidden, not taken away. */}
        <div hidden={isOut} style={isOut ? undefined : { display: 'contents' }}>
          <Outlet />
        </div>
        {isOut && (
          <Suspense fallback={<p role="status">{text('oneMoment')}</p>}>
            <SignIn />
          </Suspense>
        )}
      </Main>
      {isConflict && (
        <Suspense fallback={null}>
          <Conflict />
        </Suspense>
      )}
      {anySaid && (
        <Suspense fallback={null}>
          <Toasts />
        </Suspense>
      )}
    </Whole>
  );
}

/** A wrong address, or something that broke: said plainly, with a way on. */
export function Lost() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <Panel style={{ margin: 24, maxWidth: 560 }}>
      <Stack>
        <h1>{missing ? text('thereNothingThisAddress') : text('thisScreenCouldNot')}</h1>
        {!missing && <p>{words(error)}</p>}
        <Row>
          <ButtonLink to="/gather">{text('goShelf')}</ButtonLink>
          <Button plain onPress={() => location.reload()}>
            {text('reload')}
          </Button>
        </Row>
      </Stack>
    </Panel>
  );
}
