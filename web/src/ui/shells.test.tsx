// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter, Link, Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DialogShell } from './DialogShell';
import { EditorToolbar, Tool } from './EditorToolbar';
import { Button, RoomTitle } from './parts';

afterEach(cleanup);

describe('a dialog', () => {
  function Asks({ onClose }: { onClose?: () => void }) {
    const [open, setOpen] = useState(false);
    return (
      <>
        <Button onClick={() => setOpen(true)}>Ask</Button>
        <DialogShell
          open={open}
          title="Sure?"
          {...(onClose
            ? {
                onClose: () => {
                  onClose();
                  setOpen(false);
                },
              }
            : {})}
        >
          <Button>Yes</Button>
        </DialogShell>
      </>
    );
  }

  it('has its title for a name and is closed by Escape', async () => {
    const closed = vi.fn();
    render(<Asks onClose={closed} />);
    fireEvent.click(screen.getByRole('button', { name: 'Ask' }));
    const dialog = await screen.findByRole('dialog', { name: 'Sure?' });
    fireEvent.keyDown(dialog, { key: 'Escape' });
    expect(closed).toHaveBeenCalledOnce();
  });

  it('stays when it has to be answered', async () => {
    render(<Asks />);
    fireEvent.click(screen.getByRole('button', { name: 'Ask' }));
    fireEvent.keyDown(await screen.findByRole('dialog'), { key: 'Escape' });
    expect(screen.getByRole('dialog')).toBeDefined();
  });
});

describe('a toolbar', () => {
  it('is walked by arrows, round its ends, and runs what is pressed', () => {
    const run = vi.fn();
    render(
      <EditorToolbar label="Format">
        <Tool label="bold" active={false} onRun={run} />
        <Tool label="italic" active onRun={run} />
        <Tool label="list" active={false} onRun={run} />
      </EditorToolbar>,
    );
    const button = (name: string) => screen.getByRole('button', { name });
    button('bold').focus();
    fireEvent.keyDown(button('bold'), { key: 'ArrowLeft' });
    expect(document.activeElement).toBe(button('list'));
    fireEvent.keyDown(button('list'), { key: 'ArrowRight' });
    expect(document.activeElement).toBe(button('bold'));
    expect(button('italic').getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(button('italic'));
    expect(run).toHaveBeenCalledOnce();
  });
});

describe('a change of room', () => {
  const First = () => <RoomTitle title="First" />;
  const Second = () => (
    <>
      <RoomTitle title="Second" />
      <input aria-label="Words" />
    </>
  );

  it('moves the focus to the new room’s title and names the page after it', () => {
    render(
      <MemoryRouter>
        <Link to="/b">Go</Link>
        <main>
          <Routes>
            <Route path="/" element={<First />} />
            <Route path="/b" element={<Second />} />
          </Routes>
        </main>
      </MemoryRouter>,
    );
    const link = screen.getByRole('link');
    link.focus();
    fireEvent.click(link);
    expect(document.activeElement).toBe(screen.getByRole('heading', { name: 'Second' }));
    expect(document.title).toBe('Second – Jalousie');
  });

  it('leaves the focus with who has begun to type in the room', () => {
    const Late = ({ title }: { title: string }) => (
      <main>
        {title && <RoomTitle title={title} />}
        <input aria-label="Words" />
      </main>
    );
    const { rerender } = render(<Late title="" />);
    screen.getByLabelText('Words').focus();
    rerender(<Late title="Late" />);
    expect(document.activeElement).toBe(screen.getByLabelText('Words'));
  });
});
