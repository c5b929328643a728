package org.jalousie.server.archive.stamps;

import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.Download;
import org.jalousie.server.web.Page;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Archive time stamps: what is due, when they are renewed, and what they prove to anybody. */
@RestController
@RequestMapping("/api/v1")
class ArchiveStampsController {
    private final ArchiveStamps stamps;
    private final StampLists lists;
    private final StampPolicies policies;
    private final EvidenceRecordFiles records;

    ArchiveStampsController(
            ArchiveStamps stamps, StampLists lists, StampPolicies policies, EvidenceRecordFiles records) {
        this.stamps = stamps;
        this.lists = lists;
        this.policies = policies;
        this.records = records;
    }

    /**
     * Archive time stamps.
     *
     * @param all also those that were renewed, newest first; else those in force, the first to end first
     */
    @GetMapping("/archive/stamps")
    Page<StampViews.ArchiveStampRow> list(
            @RequestParam(defaultValue = "false") boolean all, @RequestParam(defaultValue = "0") int page) {
        return lists.page(all, page);
    }

    /** How all of them stand, and when they are renewed. */
    @GetMapping("/archive/stamps/state")
    StampViews.ArchiveStampsState state() {
        return lists.state();
    }

    /** Stamps what isn't yet and renews what is due, now. Returns how all of them stand then. */
    @PostMapping("/archive/stamps/rounds")
    StampViews.ArchiveStampsState round() {
        stamps.round(true);
        return lists.state();
    }

    /** Says when they are renewed from now on. */
    @PutMapping("/archive/stamps/policy")
    StampViews.ArchiveStampsState choose(@RequestBody StampViews.Chosen chosen) {
        if (chosen.policy() == null || chosen.policy().algorithm() == null)
            throw Refusal.malformed(Message.of("stamps.no-algorithm"));
        policies.choose(chosen.policy().policy(), chosen.edition());
        return lists.state();
    }

    /** A stamp by itself (RFC 3161 token, DER). */
    @GetMapping(path = "/archive/stamps/{stamp}.tst", produces = "application/cms")
    ResponseEntity<byte[]> token(@PathVariable long stamp) {
        return Download.of(lists.token(stamp), "stamp-" + stamp + ".tst", "application/cms");
    }

    /** What proves to anybody how old an agreement's files are: an evidence record (RFC 4998) for each, in one archive. */
    @GetMapping(path = "/archive/{number}/evidence-records.zip", produces = "application/zip")
    ResponseEntity<byte[]> records(@PathVariable AgreementNumber number) {
        return Download.of(records.of(number), number + " evidence records.zip", "application/zip");
    }

    /** The same of a daily root's JSON and time stamp. */
    @GetMapping(path = "/daily-roots/{root}/evidence-records.zip", produces = "application/zip")
    ResponseEntity<byte[]> rootRecords(@PathVariable long root) {
        return Download.of(records.ofRoot(root), "root-" + root + " evidence records.zip", "application/zip");
    }
}
