/** The parser of the W3C, as far as tests use it; it brings no types. */
declare module 'webvtt-parser' {
  export interface TextNode {
    type?: 'text' | 'object';
    value?: string;
    children?: TextNode[];
  }
  export class WebVTTParser {
    constructor(entities: Record<string, string>);
    parse(
      text: string,
      kind: 'subtitles' | 'chapters',
    ): {
      cues: { startTime: number; endTime: number; tree: TextNode }[];
      errors: { message: string; line: number }[];
    };
  }
}
