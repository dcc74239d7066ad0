import { StaffFrame } from './staff-frame.tsx';

export const Component = () => <StaffFrame is="teacher" />;
