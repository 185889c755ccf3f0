import type { Metadata } from 'next';
import { db } from '@/server/db';
import { recordingsOf } from '@/server/speech/recordings';
import { speechChoice, talkOfTeacher } from '@/server/speech/teacher-speech';
import { VoiceScreen } from '@/ui/voice/voice-screen';
import { requireTeacher } from '../../auth';
import { forgetTalkAction } from './actions';

export const metadata: Metadata = { title: 'Your voice' };

export default async function VoicePage() {
  const teacher = await requireTeacher();
  const [choice, talk, recordings] = await Promise.all([
    speechChoice(db(), teacher),
    talkOfTeacher(db(), teacher),
    recordingsOf(db(), teacher),
  ]);
  return (
    <VoiceScreen
      choice={choice}
      talk={talk}
      recordings={recordings}
      forgetTalk={forgetTalkAction}
    />
  );
}
