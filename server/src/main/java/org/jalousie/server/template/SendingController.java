package org.jalousie.server.template;

import java.io.IOException;
import java.time.LocalDateTime;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.Occasion;
import org.jalousie.server.web.RouteCalendarView;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** How a template's agreements would go out, over HTTP. */
@RestController
@RequestMapping("/api/v1/templates")
class SendingController {
    private final SendingPreviews previews;
    private final Attachments attachments;

    SendingController(SendingPreviews previews, Attachments attachments) {
        this.previews = previews;
        this.attachments = attachments;
    }

    /**
     * A mail as a party would read it.
     *
     * @param specimen the position of the one whose data stand in it; left out for the names of the fields
     */
    @GetMapping("/{id}/letters")
    SendingPreviews.LetterPreview letter(
            @PathVariable UUID id,
            @RequestParam Occasion occasion,
            @RequestParam String party,
            @RequestParam(defaultValue = "") String language,
            @RequestParam(required = false) Integer specimen) {
        return previews.letter(id, occasion, party, language, Optional.ofNullable(specimen));
    }

    /**
     * Who would get what on which day.
     *
     * @param start when it would be sent, on the office's clock; left out for now
     */
    @GetMapping("/{id}/calendar")
    RouteCalendarView calendar(
            @PathVariable UUID id,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE_TIME) LocalDateTime start,
            @RequestParam(defaultValue = "0") int pace,
            @RequestParam(required = false) Integer specimen) {
        return previews.calendar(
                id, Optional.ofNullable(start), Math.max(0, Math.min(pace, 365)), Optional.ofNullable(specimen));
    }

    /** Takes in a file that is to go along with invitations; it is kept once a template's terms name it. */
    @PostMapping(path = "/attachments", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    Attachments.Kept attach(@RequestPart MultipartFile file) throws IOException {
        return attachments.take(String.valueOf(file.getOriginalFilename()), file.getBytes());
    }
}
