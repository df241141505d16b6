import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import './frame/look.css';
import './editor/views/text.css';
import { BookRooms } from './frame/BookRooms.js';
import { Notices } from './frame/Notices.js';
import { Library } from './library/Library.js';
import { Publish } from './publish/Publish.js';
import { Register } from './register/Register.js';
import { useFacts } from './follow/facts.js';
import { setGo } from './editor/going/visited.js';
import { Shelf } from './shelf/Shelf.js';
import { Write } from './write/Write.js';

const router = createBrowserRouter([
  { path: '/', element: <Library /> },
  {
    path: '/books/:book',
    element: <BookRooms />,
    children: [
      { index: true, element: <Navigate to="write" replace /> },
      { path: 'write/:chapter?', element: <Write /> },
      { path: 'register', element: <Register /> },
      { path: 'shelf', element: <Shelf /> },
      { path: 'publish', element: <Publish /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

setGo((path) => void router.navigate(path));

// Without these facts links are followed to the real network, which is right when there is no stand-in world.
useFacts
  .getState()
  .load()
  .catch(() => {});

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
      <Notices />
    </StrictMode>,
  );
