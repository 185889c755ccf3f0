import type { Metadata } from 'next';
import { db } from '@/server/db';
import { recordingsOf } from '@/server/speech/recordings';
import { saidWords } from '@/server/speech/said-words';
import { speechChoice, talkOfTeacher } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { VoiceScreen } from '@/ui/voice/voice-screen';
import { requireTeacher } from '../../auth';
import { forgetTalkAction } from './actions';

export const metadata: Metadata = { title: 'Your voice' };

export default async function VoicePage() {
  const teacher = await requireTeacher();
  const [choice, talk, recordings, words, machine] = await Promise.all([
    speechChoice(db(), teacher),
    talkOfTeacher(db(), teacher),
    recordingsOf(db(), teacher),
    saidWords(db(), teacher),
    voice(),
  ]);
  return (
    <VoiceScreen
      choice={choice}
      voices={{ offers: machine?.offers ?? [], troubled: machine?.troubled ?? [] }}
      talk={talk}
      recordings={recordings}
      words={words}
      forgetTalk={forgetTalkAction}
    />
  );
}
