package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.rules.RuleFault;

/** A rule that can't be worked out, said in the office's language. */
@Schema(name = "RuleFault")
record RuleFaultView(String rule, String place, String code, String message, String cure) {
    static List<RuleFaultView> of(List<RuleFault> faults) {
        return faults.stream()
                .map(one -> new RuleFaultView(
                        one.rule(),
                        one.place(),
                        one.code(),
                        one.message().toString(),
                        one.cure().toString()))
                .toList();
    }
}
