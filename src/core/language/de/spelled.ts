import type { LanguageSpelling } from '../language';

export const spelled: LanguageSpelling = {
  clock: 'Uhr',
  thousands: '.',
  signs: { '.': 'Punkt', ',': 'Komma' },
  wholeDecimals: true,
  letter: 'de',
  symbols: [
    [/(?<=\d) ?%/g, ' Prozent'],
    [/(?<=\d) ?°C/g, ' Grad Ze'],
    [/(?<=\d) ?°/g, ' Grad'],
    [/€ ?(?=\d)|(?<=\d) ?€/g, ' Euro '],
    [/(?<=\d) ?[×*] ?(?=\d)/g, ' mal '],
    [/(?<=\d) ?x ?(?=\d)/g, ' iks '],
    [/(?<=\d) ?kg\b/g, ' ka ge'],
    [/(?<=\d)-(?=\d)/g, ' Strich '],
    [/(?<=\w)\/(?=\w)/g, ' '],
    [/ ?& ?/g, ' und '],
    [/ ?\+ ?/g, ' plus '],
    [/ ?= ?/g, ' gleich '],
    [/@/g, ' ät '],
    [/#/g, ' Nummer '],
    [/½/g, ' ein halb '],
    [/\bz\. ?B\./gi, 'zett be'],
    [/\bd\. ?h\./gi, 'de ha'],
  ],
};
