package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** How a person works at a template's page, by mouse or by keys alone; what is pressed, clicked and typed is counted. */
abstract class Hand {
    final Page page;
    private int acts;

    Hand(Page page) {
        this.page = page;
    }

    /** Words of the page are chosen. */
    abstract void choose(String words);

    /** The cursor stands behind words. */
    abstract void standBehind(String words);

    /** From the first words on to the last, as over the cells of a row. */
    abstract void chooseFrom(String first, String last);

    /** Goes to a button, a tab or a tick by its name, or what its name has in it, and uses it. */
    abstract void press(AriaRole role, String name);

    abstract void go(AriaRole role, String name);

    /** What is chosen is tied to something by one of the acts. */
    final void tie(String words, String act, String to) {
        choose(words);
        bind(act, to);
    }

    final void tieFrom(String first, String last, String act, String to) {
        chooseFrom(first, last);
        bind(act, to);
    }

    /** Does it, and looks at what has come of it. */
    private void bind(String act, String to) {
        redrawn(() -> act(act, to));
    }

    /** Waits until the pages show what has come of it. */
    final void redrawn(Runnable change) {
        String before = drawn();
        change.run();
        page.waitForFunction(
                "before => {"
                        + " const shown = document.querySelector('[data-pages]')?.dataset.shown;"
                        + " return shown !== undefined && shown !== before"
                        + " && !document.querySelector('form[aria-label=\"Acts on the words\"]')"
                        + " && [...document.querySelectorAll('[data-words]')].every(one => one.dataset.laid === shown); }",
                before);
    }

    private String drawn() {
        return page.locator("[data-pages]").getAttribute("data-shown");
    }

    final void insertBehind(String words, String act, String what) {
        standBehind(words);
        bind(act, what);
    }

    abstract void act(String act, String to);

    /** Fills an input. */
    final void fill(String name, String text) {
        fill(AriaRole.TEXTBOX, name, text);
    }

    final void fill(AriaRole role, String name, String text) {
        go(role, name);
        counted(() -> page.keyboard().press("Control+a"));
        type(text);
    }

    abstract void select(String name, String choice);

    final void type(String text) {
        counted(() -> page.keyboard().insertText(text));
    }

    final void key(String key) {
        counted(() -> page.keyboard().press(key));
    }

    final void counted(Runnable act) {
        acts++;
        act.run();
    }

    int acts() {
        return acts;
    }

    final Locator found(AriaRole role, String name) {
        Page.GetByRoleOptions named = name.startsWith("~")
                ? new Page.GetByRoleOptions().setName(name.substring(1))
                : new Page.GetByRoleOptions().setName(name).setExact(true);
        return page.getByRole(role, named).first();
    }

    /** With the mouse, and keys only to type. */
    static final class OfMouse extends Hand {
        OfMouse(Page page) {
            super(page);
        }

        /**
         * Just within the first and the last letter of words, and their middle height. Found, brought into the window
         * and measured at one stroke: pages that are drawn anew meanwhile are other elements.
         */
        private double[] edges(String words) {
            Object found = page.waitForFunction(
                            "words => { const span = [...document.querySelectorAll('.text-layer span')].find("
                                    + " one => one.firstChild instanceof Text && one.firstChild.data.includes(words));"
                                    + " if (!span) return null; const box = span.getBoundingClientRect();"
                                    + " if (box.top < 160 || box.bottom > innerHeight - 80) span.scrollIntoView({block: 'center'});"
                                    + " const node = span.firstChild, at = node.data.indexOf(words);"
                                    + " const range = document.createRange(); range.setStart(node, at);"
                                    + " range.setEnd(node, at + 1); const first = range.getBoundingClientRect();"
                                    + " range.setStart(node, at + words.length - 1); range.setEnd(node, at + words.length);"
                                    + " const last = range.getBoundingClientRect();"
                                    + " return [first.left + first.width / 4, last.right - last.width / 4,"
                                    + " first.top + first.height / 2]; }",
                            words)
                    .jsonValue();
            return ((java.util.List<?>) found)
                    .stream().mapToDouble(one -> ((Number) one).doubleValue()).toArray();
        }

        /** A person who sees that the words were missed drags once more. */
        @Override
        void choose(String words) {
            String bare = words.replaceAll("\\s", "");
            for (int i = 0; i < 3; i++) {
                drag(edges(words), edges(words));
                Object chosen = page.evaluate("() => getSelection().toString().replace(/\\s/g, '')");
                if (bare.equals(chosen)) return;
            }
            throw new AssertionError("the words can't be chosen: " + words + ", but "
                    + page.evaluate("() => getSelection().toString()"));
        }

        private void drag(double[] from, double[] to) {
            counted(() -> {
                page.mouse().move(from[0], from[2]);
                page.mouse().down();
                page.mouse().move(to[1], to[2], new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
                page.mouse().up();
            });
        }

        @Override
        void chooseFrom(String first, String last) {
            drag(edges(first), edges(last));
        }

        @Override
        void standBehind(String words) {
            double[] at = edges(words);
            counted(() -> page.mouse().click(at[1], at[2]));
        }

        @Override
        void press(AriaRole role, String name) {
            counted(() -> found(role, name).click());
        }

        @Override
        void go(AriaRole role, String name) {
            press(role, name);
        }

        @Override
        void select(String name, String choice) {
            counted(() -> found(AriaRole.COMBOBOX, name).selectOption(choice));
        }

        @Override
        void act(String act, String to) {
            if (!act.isEmpty()) select("What to do", act);
            fill(AriaRole.COMBOBOX, "Name", to);
            counted(() -> page.locator("form button[type=submit]:has-text('it in'), form button:has-text('Make the')")
                    .first()
                    .click());
        }
    }

    /** With keys alone. */
    static final class OfKeys extends Hand {
        OfKeys(Page page) {
            super(page);
        }

        private boolean at(AriaRole role, String name) {
            return (boolean) found(role, name).evaluate("e => e === document.activeElement");
        }

        @Override
        void go(AriaRole role, String name) {
            found(role, name).waitFor();
            for (int i = 0; i < 120; i++) {
                if (at(role, name)) return;
                key("Tab");
            }
            throw new AssertionError("no way by Tab to " + role + " " + name);
        }

        @Override
        void press(AriaRole role, String name) {
            go(role, name);
            key(role == AriaRole.CHECKBOX ? "Space" : "Enter");
        }

        @Override
        void select(String name, String choice) {
            go(AriaRole.COMBOBOX, name);
            // a list of choices goes on to what begins with the letters that are typed
            Locator list = found(AriaRole.COMBOBOX, name);
            for (int i = 0; i < 40 && !list.inputValue().equals(choice); i++) key("ArrowDown");
            for (int i = 0; i < 40 && !list.inputValue().equals(choice); i++) key("ArrowUp");
            assertThat(list.inputValue()).isEqualTo(choice);
        }

        @Override
        void act(String act, String to) {
            key("Enter");
            if (!act.isEmpty()) {
                key("Shift+Tab");
                select("What to do", act);
                key("Tab");
            }
            counted(() -> page.keyboard().press("Control+a"));
            type(to);
            key("Enter");
        }

        private int cursor() {
            return ((Number) page.evaluate(
                            "() => { const layer = document.activeElement, s = getSelection(), r = document.createRange();"
                                    + " r.selectNodeContents(layer); r.setEnd(s.focusNode, s.focusOffset);"
                                    + " return r.toString().length; }"))
                    .intValue();
        }

        private String text(int number) {
            Locator layer = page.locator("[data-words='" + number + "']");
            layer.waitFor();
            page.waitForFunction("n => document.querySelector(`[data-words='${n}']`).textContent.length > 20", number);
            return (String) layer.evaluate("e => e.textContent");
        }

        private int pageOf(String words) {
            for (int i = 0; i < 100; i++) {
                for (int number = 1; number <= 2; number++) {
                    if (page.locator("[data-words='" + number + "']").count() > 0
                            && text(number).contains(words)) return number;
                }
                page.waitForTimeout(100);
            }
            throw new AssertionError("no page has the words " + words);
        }

        /** Moves the cursor to a place of its page: lines first, then words, then letters. */
        private void moveTo(int wanted, String shift) {
            for (int i = 0; i < 400 && cursor() != wanted; i++) {
                int before = cursor();
                boolean on = before < wanted;
                int off = Math.abs(wanted - before);
                String key = off > 120 && shift.isEmpty()
                        ? (on ? "ArrowDown" : "ArrowUp")
                        : off > 9
                                ? "Control+" + shift + (on ? "ArrowRight" : "ArrowLeft")
                                : shift + (on ? "ArrowRight" : "ArrowLeft");
                key(key);
            }
            assertThat(cursor()).isEqualTo(wanted);
        }

        private void toPage(int number) {
            if (!(boolean) page.evaluate("n => document.activeElement?.dataset?.words === String(n)", number))
                go(AriaRole.TEXTBOX, "Words of page " + number);
        }

        @Override
        void choose(String words) {
            int number = pageOf(words);
            toPage(number);
            int start = text(number).indexOf(words);
            moveTo(start, "");
            moveTo(start + words.length(), "Shift+");
            assertThat((String) page.evaluate("() => getSelection().toString()"))
                    .isEqualToIgnoringWhitespace(words);
        }

        @Override
        void chooseFrom(String first, String last) {
            int number = pageOf(first);
            toPage(number);
            int start = text(number).indexOf(first);
            moveTo(start, "");
            moveTo(text(number).indexOf(last, start) + last.length(), "Shift+");
        }

        @Override
        void standBehind(String words) {
            int number = pageOf(words);
            toPage(number);
            moveTo(text(number).indexOf(words) + words.length(), "");
        }
    }
}
