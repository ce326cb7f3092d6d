import { checkSecret, MIN_LETTERS, weakness } from '.';

describe('a passphrase', () => {
  test.each([
    ['short', /fewer than/],
    ['x'.repeat(MIN_LETTERS - 1), /fewer than/],
    ['a'.repeat(40), /same few characters/],
    ['AbAbAbAbAbAb', /same few characters/],
    ['abcdabcdabcd', /same few characters/],
  ])('%j can be guessed', (passphrase, why) => expect(weakness(passphrase)).toMatch(why));
  test.each(['abcdeabcdeab', 'still water over stones', 'вода над камнями'])(
    '%j will do',
    (passphrase) => expect(weakness(passphrase)).toBeNull(),
  );
});

describe('a secret', () => {
  test.each([
    ['12345', /fewer than 6 digits/],
    ['123456', /run in order/],
    ['987654', /run in order/],
    ['246802', /run in order/],
    ['111111', /one or two digits/],
    ['121212', /one or two digits/],
    ['word', /fewer than 12 characters/],
    ['a1b2c3', /fewer than 12 characters/],
    ['y'.repeat(129), /more than 128/],
  ])('%j will not do for a fitter', (secret, why) =>
    expect(() => checkSecret(secret, 'fitter')).toThrow(why),
  );
  test.each(['730418', '112358', 'water runs down', '314159265358979'])('%j will', (secret) =>
    expect(() => checkSecret(secret, 'fitter')).not.toThrow(),
  );
  test.each([
    ['73041826', /a PIN/],
    ['word', /fewer than 12 characters/],
  ])('%j will not do for an owner', (secret, why) =>
    expect(() => checkSecret(secret, 'owner')).toThrow(why),
  );
});
