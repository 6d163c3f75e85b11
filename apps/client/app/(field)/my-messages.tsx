import { screenNamed } from '@/design/face.tsx';

export default screenNamed('my-messages');
