import { createRoot } from 'react-dom/client';
import '../app/theme.css';
import type { Frame } from '../rooms/briefs/frame';
import { WaterForm } from './WaterForm';

// The saved card carries what this page knows; it has nobody else to ask.
const frame = JSON.parse(document.getElementById('frame')!.textContent!) as Frame;
createRoot(document.getElementById('water')!).render(<WaterForm frame={frame} />);
