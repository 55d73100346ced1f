import { useRouter, type Href } from 'expo-router';

import { Button } from '@/parts/ui/Button';
import { fillInMany } from '@/store/items/many';
import type { IconName } from '@/theme/Icon';

/** Leads to a page about several items together. */
export function ToMany(props: {
  ids: readonly string[];
  to: Href;
  icon: IconName;
  children: string;
  main?: boolean;
}) {
  const router = useRouter();
  return (
    <Button
      variant={props.main ? 'main' : 'plain'}
      icon={props.icon}
      onPress={() => {
        fillInMany(props.ids);
        router.navigate(props.to);
      }}
    >
      {props.children}
    </Button>
  );
}
