import { Component, type ReactNode } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { fault } from '@/store/base/faults';

interface Props {
  children: ReactNode;
  /** Which screen it is: another one is tried afresh. */
  screen: string;
  onLeave: () => void;
}

/** Keeps what goes wrong in drawing one screen to that screen: places, warnings and undo stay. */
export class ScreenGuard extends Component<Props, { broken: string | null }> {
  override state: { broken: string | null } = { broken: null };

  static getDerivedStateFromProps({ screen }: Props, { broken }: { broken: string | null }) {
    return broken === null || broken === screen || broken === '?' ? null : { broken: null };
  }

  static getDerivedStateFromError() {
    return { broken: '?' };
  }

  override componentDidCatch(error: unknown): void {
    this.setState({ broken: this.props.screen });
    fault('showing this screen', error);
  }

  override render(): ReactNode {
    if (this.state.broken === null) return this.props.children;
    return (
      <View style={{ padding: 16, gap: 12 }} role="main" aria-label="This screen can’t be shown">
        <Notice tone="trouble">This screen can’t be shown just now.</Notice>
        <Text>
          Everything you did is kept, and the courier goes on closing what sells. The other screens work as
          before.
        </Text>
        <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
          <Button variant="main" onPress={() => this.setState({ broken: null })}>
            Try again
          </Button>
          <Button onPress={this.props.onLeave}>Go to Today</Button>
        </View>
      </View>
    );
  }
}
