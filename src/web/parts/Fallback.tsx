import { Component, type ReactNode } from 'react';

interface Props {
  /** The content shown instead when something inside breaks. */
  instead: ReactNode;
  children: ReactNode;
}

/** Keeps a defect in one part from taking the rest of the screen with it. */
export class Fallback extends Component<Props, { broken: boolean }> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    return this.state.broken ? this.props.instead : this.props.children;
  }
}
