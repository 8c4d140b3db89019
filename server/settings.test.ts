import { readSettings } from './settings.ts';

describe('settings of the environment', () => {
  it('have their usual values', () => {
    expect(readSettings({})).toEqual({
      port: 4310,
      host: '127.0.0.1',
      hosts: [],
      folder: 'data',
      fixedToday: null,
      isBeyond: false,
      smtp: null,
      tls: null,
    });
    expect(readSettings({ HOST: '[::1]', FOX_HOSTS: 'Cart.example, ::1' })).toMatchObject({
      host: '::1',
      hosts: ['cart.example', '::1'],
      isBeyond: true,
    });
    expect(readSettings({ HOST: '[::1]', FOX_HOSTS: 'localhost' }).isBeyond).toBe(false);
    expect(readSettings({ HOST: '0.0.0.0' }).isBeyond).toBe(true);
    expect(readSettings({ FOX_TLS_CERT: 'a.pem', FOX_TLS_KEY: 'b.pem' }).tls).toEqual({
      cert: 'a.pem',
      key: 'b.pem',
    });
  });
  it.each([
    [{ PORT: 'abc' }, 'PORT is “abc”; expected a whole number from 0 to 65535.'],
    [{ PORT: '70000' }, /PORT/],
    [{ PORT: '4310.5' }, /PORT/],
    [{ HOST: 'no such' }, /HOST is “no such”; expected a name or address/],
    [{ FOX_HOSTS: 'http://a' }, /FOX_HOSTS names “http:\/\/a”/],
    [{ FOX_TODAY: '2026-02-31' }, /FOX_TODAY is “2026-02-31”; expected a day/],
    [{ FOX_DATA: 'a\0b' }, /FOX_DATA/],
    [{ FOX_TLS_CERT: 'a.pem' }, /FOX_TLS_CERT and FOX_TLS_KEY belong together/],
  ])('%j is refused in one sentence', (env, words) => {
    expect(() => readSettings(env)).toThrow(words);
  });
});
