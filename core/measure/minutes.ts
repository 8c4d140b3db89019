/** A span of working time as people say it: `45 min`, `1 h 20 min`. */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  if (hours === 0) return `${whole} min`;
  return whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60} min`;
}

/** A running time as a clock shows it, whole seconds: `0:07`, `4:00`, `1:02:30`. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
