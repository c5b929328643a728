package org.jalousie.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every room's address leads to the one page of the interface; the signing page is its own. */
@Controller
@Hidden
class RoomsController {
    @GetMapping({
        "/",
        "/sign-in",
        "/today",
        "/mine",
        "/templates/**",
        "/intake/**",
        "/registers",
        "/registers/**",
        "/tables/**",
        "/agreements/**",
        "/archive/**",
        "/postroom/**",
        "/programs/**",
        "/clauses/**",
        "/office/**",
        "/account",
        "/asking",
        "/people",
        "/people/**",
        "/way-in/{secret}"
    })
    String office() {
        return "forward:/index.html";
    }

    @GetMapping("/ask/{token}")
    String form() {
        return "forward:/ask.html";
    }

    @GetMapping("/asked/{secret}")
    String asked() {
        return "forward:/ask.html";
    }

    @GetMapping("/act/{token}")
    String participant() {
        return "forward:/act.html";
    }
}
