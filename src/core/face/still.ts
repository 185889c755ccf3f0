import type { Area } from '../move';

/**
 * The one face of the product, in a 400 x 500 box. Proportions follow the neoclassical canons
 * (Farkas et al. 1985, from memory): equal thirds from hairline to brows to nose base to chin, and
 * an eye's width between the eyes and five across the face.
 */
export const VIEW_BOX = '0 0 400 500';

/** Clockwise from the crown, closed: the outline that also serves as the timer. */
export const HEAD =
  'M200,66 C264,66 304,110 304,182 C304,226 298,258 286,290 C271,332 240,366 200,366 C160,366 129,332 114,290 C102,258 96,226 96,182 C96,110 136,66 200,66 Z';

/** Line work of one half; the other half is its mirror image. */
export const HALF_LINES = {
  ear: 'M98,200 C82,186 74,206 80,230 C84,250 92,262 104,258',
  brow: 'M134,198 C143,187 164,183 180,191',
  lid: 'M140,217 C149,206 171,206 180,217',
  lowerLid: 'M147,223 C154,226.5 166,226.5 173,223',
  neck: 'M160,356 C162,394 154,408 132,418 C104,430 76,436 48,452',
  collarbone: 'M92,462 C126,452 160,454 188,468',
} as const;
export const PUPIL = { cx: 160, cy: 215.5, r: 6.8 } as const;

export const MIDDLE_LINES = {
  nose: 'M185,270 C186,280 195,279 200,282 C205,279 214,280 215,270',
  upperLip: 'M172,311 C182,309 192,306 200,309 C208,306 218,309 228,311',
  mouth: 'M162,305 C176,322 224,322 238,305',
  lowerLip: 'M182,323 C190,331 210,331 218,323',
  hairline: 'M112,152 C126,122 158,110 200,110 C242,110 274,122 288,152',
} as const;

export interface Patch {
  area: Area;
  path: string;
  /** Whether the patch stands on the left half and is mirrored to the right. */
  paired: boolean;
}

export const PATCHES: readonly Patch[] = [
  {
    area: 'scalp',
    paired: false,
    path: 'M110,144 C118,100 156,74 200,74 C244,74 282,100 290,144 C270,116 238,104 200,104 C162,104 130,116 110,144 Z',
  },
  {
    area: 'forehead',
    paired: false,
    path: 'M122,160 C134,130 164,118 200,118 C236,118 266,130 278,160 C282,172 276,180 264,180 C240,174 222,176 200,178 C178,176 160,174 136,180 C124,180 118,172 122,160 Z',
  },
  {
    area: 'brows',
    paired: false,
    path: 'M200,184 C210,184 213,190 212,198 C211,210 206,218 200,218 C194,218 189,210 188,198 C187,190 190,184 200,184 Z',
  },
  {
    area: 'temples',
    paired: true,
    path: 'M106,178 C116,174 128,186 129,200 C129,214 122,224 113,224 C105,214 102,190 106,178 Z',
  },
  {
    area: 'eyes',
    paired: true,
    path: 'M160,196 C178,196 188,205 188,215 C188,227 176,234 160,234 C144,234 132,227 132,215 C132,205 142,196 160,196 Z',
  },
  {
    area: 'ears',
    paired: true,
    path: 'M97,202 C83,190 77,208 82,230 C85,246 92,256 101,254 C99,236 97,220 97,202 Z',
  },
  {
    area: 'nose',
    paired: false,
    path: 'M200,222 C206,222 208,236 214,252 C222,264 222,280 212,284 C206,286 194,286 188,284 C178,280 178,264 186,252 C192,236 194,222 200,222 Z',
  },
  {
    area: 'upperCheeks',
    paired: true,
    path: 'M118,238 C134,236 160,240 176,248 C179,260 172,272 158,279 C140,282 122,270 115,252 C113,244 114,239 118,238 Z',
  },
  {
    area: 'lowerCheeks',
    paired: true,
    path: 'M116,268 C128,282 144,288 158,288 C161,304 155,320 145,330 C131,318 120,296 116,268 Z',
  },
  {
    area: 'mouth',
    paired: false,
    path: 'M158,310 C168,296 186,293 200,296 C214,293 232,296 242,310 C236,330 218,336 200,336 C182,336 164,330 158,310 Z',
  },
  {
    area: 'chin',
    paired: false,
    path: 'M200,339 C214,339 224,343 224,350 C220,359 210,362 200,362 C190,362 180,359 176,350 C176,343 186,339 200,339 Z',
  },
  {
    area: 'jaw',
    paired: true,
    path: 'M109,276 C113,302 126,330 150,348 C160,355 170,352 166,345 C150,336 138,326 130,312 C121,297 117,286 115,276 C113,270 109,270 109,276 Z',
  },
  {
    area: 'underChin',
    paired: false,
    path: 'M170,364 C186,374 214,374 230,364 C232,378 222,388 200,388 C178,388 168,378 170,364 Z',
  },
  {
    area: 'frontNeck',
    paired: false,
    path: 'M180,392 C190,396 210,396 220,392 C222,412 222,432 214,450 C206,446 194,446 186,450 C178,432 178,412 180,392 Z',
  },
  {
    area: 'sideNeck',
    paired: true,
    path: 'M165,372 C173,386 175,408 172,432 C170,444 162,444 154,432 C162,412 165,394 165,372 Z',
  },
  {
    area: 'shoulders',
    paired: true,
    path: 'M150,420 C136,434 104,438 76,450 C70,454 74,460 82,459 C110,452 138,450 160,446 C164,438 158,424 150,420 Z',
  },
  {
    area: 'chest',
    paired: false,
    path: 'M104,466 C136,458 168,460 200,472 C232,460 264,458 296,466 C294,484 250,496 200,496 C150,496 106,484 104,466 Z',
  },
];
