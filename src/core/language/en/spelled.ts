import type { LanguageSpelling } from '../language';

export const spelled: LanguageSpelling = {
  clock: '',
  thousands: ',',
  signs: { '.': 'point', ',': '' },
  letter: 'dee',
  symbols: [
    [/(?<=\d) ?%/g, ' percent'],
    [/(?<=\d) ?°C?/g, ' degrees'],
    [/€ ?(?=\d)|(?<=\d) ?€/g, ' euros '],
    [/(?<=\d) ?[×x*] ?(?=\d)/g, ' times '],
    [/(?<=\d) ?kg\b/g, ' kay gee'],
    [/(?<=\d)-(?=\d)/g, ' dash '],
    [/(?<=\w)\/(?=\w)/g, ' slash '],
    [/ ?& ?/g, ' and '],
    [/ ?\+ ?/g, ' plus '],
    [/ ?= ?/g, ' equals '],
    [/@/g, ' at '],
    [/#/g, ' hash '],
    [/½/g, ' a half '],
    [/\be\.g\./gi, 'ee gee'],
  ],
};
