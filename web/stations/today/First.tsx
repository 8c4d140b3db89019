import { Navigate } from 'react-router';
import { useTape } from '../../data/queries.ts';

/** Where a place opens: what is to be done today; the welcome on the shelf while nothing is made yet. */
export function Component() {
  const { data: figures, error } = useTape();
  if (!figures && !error) return null;
  return <Navigate to={figures && figures.make.made > 0 ? '/today' : '/gather'} replace />;
}
