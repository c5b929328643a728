package org.jalousie.server.documents;

import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.wording.edit.Selection;
import org.jalousie.server.account.SignedIn;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Other words in one agreement alone, over HTTP. The documents are made again; what they say now is the agreement's to tell. */
@RestController
@RequestMapping("/api/v1/agreements/{number}/documents/{document}/wording")
class ChangedWordsController {
    private final ChangedWords words;

    ChangedWordsController(ChangedWords words) {
        this.words = words;
    }

    /**
     * @param text the words on the page that change; empty for a place between words
     * @param before some of the words before them, {@code after} some of those after them
     * @param words what stands there instead; empty to strike them out
     * @param paragraph whether words at a place are a paragraph of their own, after the one in which it is
     */
    record ChangeWords(String text, String before, String after, String words, boolean paragraph) {}

    /** Changes words in one agreement alone. */
    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            @PathVariable AgreementNumber number,
            @PathVariable String document,
            @RequestBody ChangeWords change,
            @AuthenticationPrincipal SignedIn by) {
        words.change(
                number,
                document,
                new ChangedWords.Change(
                        new Selection(change.text(), change.before(), change.after()),
                        change.words(),
                        change.paragraph()),
                by.actor());
    }

    /** All words of the document are its template's again. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(
            @PathVariable AgreementNumber number, @PathVariable String document, @AuthenticationPrincipal SignedIn by) {
        words.takeBack(number, document, by.actor());
    }
}
