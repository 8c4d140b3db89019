import { useEffect, useRef } from 'react';
import { styled } from 'styled-components';

const Here = styled.div`
  display: grid;
  gap: 10px;
  outline: none;
`;

/** What stands in place of what was pressed: the focus goes to it, so that keys go on working there. */
export function Arrived({ children }: { children: React.ReactNode }) {
  const here = useRef<HTMLDivElement>(null);
  useEffect(() => here.current?.focus({ preventScroll: true }), []);
  return (
    <Here ref={here} tabIndex={-1}>
      {children}
    </Here>
  );
}
