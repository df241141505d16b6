import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import './frame/look.css';
import './editor/views/text.css';
import './publish/try/sheet.css';
import { AboutBook } from './about/AboutBook.js';
import { createQueries } from './api/queries.js';
import { useBook } from './book/store.js';
import { useEditor } from './editor/state/store.js';
import { startOpenBook, thisWindow } from './book/open-book.js';
import { createState } from './editor/create-state.js';
import { tellFault } from './parts/notices.js';
import { BookRooms } from './frame/BookRooms.js';
import { Notices } from './frame/Notices.js';
import { Library } from './library/Library.js';
import { Publish } from './publish/Publish.js';
import { Register } from './register/Register.js';
import { setGo } from './editor/going/visited.js';
import { Shelf } from './shelf/Shelf.js';
import { textActions } from './write/text-actions.js';
import { Versions } from './versions/Versions.js';
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
      { path: 'about', element: <AboutBook /> },
      { path: 'versions', element: <Versions /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

setGo((path) => void router.navigate(path));

const queries = createQueries(tellFault);
startOpenBook(queries, {
  makeState: (chapter, doc) => createState(doc, textActions(chapter), thisWindow),
  show(chapter, at) {
    const { book } = useBook.getState();
    if (book && useEditor.getState().chapter !== chapter)
      void router.navigate(`/books/${book.id}/write/${chapter}?at=${at}`);
  },
});

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
        <Notices />
      </QueryClientProvider>
    </StrictMode>,
  );
