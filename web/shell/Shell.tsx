import { useEffect } from 'react';
import { Outlet, useLocation, useRouteError, isRouteErrorResponse } from 'react-router';
import { styled } from 'styled-components';
import { words } from '../data/api.ts';
import { useOpenDesign } from '../design/store.ts';
import { Button, ButtonLink } from '../parts/Button.tsx';
import { Dialog } from '../parts/Dialog.tsx';
import { Notice, Panel, Row, Stack } from '../parts/Panel.tsx';
import { STATIONS, Tape } from './Tape.tsx';

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

/** Two screens turned the same dials: both are shown, and one is chosen. */
function Conflict() {
  const { saving, draft, theirs, keepMine, takeTheirs } = useOpenDesign();
  if (saving !== 'conflict' || !draft || !theirs) return null;
  const differing = [
    ...(['name', 'forGroup', 'ageFrom', 'ageTo', 'skill', 'copies'] as const).map(
      (k) => [k, draft[k], theirs[k]] as const,
    ),
    ...Object.keys({ ...draft.dials, ...theirs.dials }).map(
      (k) => [k, draft.dials[k], theirs.dials[k]] as const,
    ),
  ].filter(([, a, b]) => a !== b);
  return (
    <Dialog title={`${draft.name} was changed on another screen`} isOpen onClose={() => {}} mustAnswer>
      <Stack>
        <p>Nothing is lost yet. Choose which one to go on with.</p>
        <table style={{ borderSpacing: '12px 4px', textAlign: 'left' }}>
          <thead>
            <tr>
              <th></th>
              <th>here</th>
              <th>there</th>
            </tr>
          </thead>
          <tbody>
            {differing.map(([k, a, b]) => (
              <tr key={k}>
                <th scope="row">{k}</th>
                <td>{String(a)}</td>
                <td>{String(b)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Row>
          <Button onPress={keepMine}>Keep what is here</Button>
          <Button plain onPress={takeTheirs}>
            Take what is there
          </Button>
        </Row>
      </Stack>
    </Dialog>
  );
}

export function Shell() {
  const { pathname } = useLocation();
  const { saving, problem, flush } = useOpenDesign();
  const station = STATIONS.find((s) => pathname.startsWith(`/${s.id}`));
  useEffect(() => {
    document.title = `${station?.name ?? 'This place'} · Fox Button`;
  }, [station]);
  useEffect(() => {
    // Closing the page must not lose the last turn of a dial.
    const hold = (e: BeforeUnloadEvent): void => {
      const now = useOpenDesign.getState().saving;
      if (now === 'saved') return;
      void useOpenDesign.getState().flush();
      e.preventDefault();
    };
    addEventListener('beforeunload', hold);
    return () => removeEventListener('beforeunload', hold);
  }, []);
  return (
    <Whole>
      <Skip href="#main">To the work</Skip>
      <Tape />
      <Main id="main" tabIndex={-1}>
        {saving === 'failed' && (
          <Notice tone="stop">
            <Row>
              <span>
                <strong>Not saved.</strong> {problem}
              </span>
              <Button plain small onPress={() => void flush()}>
                Try again
              </Button>
            </Row>
          </Notice>
        )}
        <Outlet />
      </Main>
      <Conflict />
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
        <h1>{missing ? 'There is nothing at this address' : 'This screen stumbled'}</h1>
        {!missing && <p>{words(error)}</p>}
        <Row>
          <ButtonLink to="/gather">To the shelf</ButtonLink>
          <Button plain onPress={() => location.reload()}>
            Load it again
          </Button>
        </Row>
      </Stack>
    </Panel>
  );
}
