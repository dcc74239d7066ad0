import { StaffFrame } from '../today/staff-frame.tsx';

export const Component = () => <StaffFrame is="admin" />;
