import type { LanguageClaims } from '../language';

export const claims: LanguageClaims = {
  patterns: [
    [/\bheil(t|en|end)\b/i, 'lindern'],
    [/\bentgift|\bentschlack|\bdetox/i, 'erfrischen'],
    [/\bfett\s?(verbrenn|schmelz)/i, 'den Muskel wecken'],
    [/\bverjüng|\balterung (umkehr|rückgängig)/i, 'geschmeidig halten'],
    [/\bgarantier/i, 'oft'],
    [/\bdauerhaft|\bfür immer/i, 'mit regelmäßiger Übung'],
    [/\bbesser als (eine )?(operation|spritzen)/i, 'ein anderer Weg'],
    [/\bohne nebenwirkungen|\bkeine nebenwirkungen/i, 'sanft'],
  ],
  fitting: (_, instead) => instead,
};
