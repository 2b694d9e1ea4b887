import { useRouter } from 'expo-router';
import { SignInScreen } from '@/features/screens';

export default function SignInRoute() {
  const router = useRouter();
  return <SignInScreen onIn={() => router.replace('/')} />;
}
