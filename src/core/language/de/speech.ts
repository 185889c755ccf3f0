import type { LanguageSpeech } from '../language';

export const speech: LanguageSpeech = {
  ms: { base: 125, syllable: 47, letter: 61, comma: 363, sentence: 704 },
  respelt: [
    [/\b(ein|aus|ver)?(a)tm(e|en|et|est|end)\b/gi, '$1$2htm$3'],
    [/\b(A)tem(z[uü]ge?n?)\b/g, '$1htem$2'],
    [/\b(N)asen(?=[a-zäöü])/g, '$1ahsen'],
    [/\b(H)als\b/g, '$1alls'],
    [/\b(L|l)os(lass)/g, '$1os $2'],
    [/\b(d)rin\b/gi, '$1rinn'],
    [/\b(g)ut(tut|tun)\b/gi, '$1ut $2'],
    [/\b(S)chulter(?=[a-zäöü]{4})/gi, '$1chulter-'],
    [/\b(w)aagerecht/gi, '$1aagrecht'],
    // Muscles by their Latin names.
    [/\b(M)asseter\b/g, '$1assehter'],
    [/\b(P)rocerus\b/g, '$1rozerus'],
    [/\b(B)uccinator\b/g, '$1ukzinator'],
    // Sounds that are made, which would be read letter by letter.
    [/\bss+\b/gi, 'Ess'],
    [/\b(h?m)m+\b/gi, 'humm'],
    [/\bsch+\b/gi, 'husch'],
  ],
  important:
    /\b(?:die|der|den|dem|nach|deine[rmns]?|zur|zum|auf|von|mit) (?=(?:links|rechts|linke[nrms]?|rechte[nrms]?|andere[nrms]? (?:Seite|Richtung))\b)|\p{L} (?=nie(?:mals)?\b)/giu,
  secondSyllable: [],
  heard: (word) => ({ word, silent: 0 }),
};
