package org.jalousie.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.jalousie.generated.ApiClient;
import org.jalousie.generated.ApiException;
import org.jalousie.generated.api.AgreementControllerApi;
import org.jalousie.generated.api.FormAnswersControllerApi;
import org.jalousie.generated.api.IntakeControllerApi;
import org.jalousie.generated.api.WebhookControllerApi;
import org.jalousie.generated.model.Accepted;
import org.jalousie.generated.model.FreshSecret;
import org.jalousie.generated.model.NewWebhook;
import org.jalousie.generated.model.Seen;
import org.jalousie.generated.model.SentAnswers;
import org.jalousie.generated.model.WebhookTerms;
import org.jalousie.server.testbed.Office;
import org.jalousie.server.testbed.Receiver;
import org.jalousie.server.testbed.Testbed;
import org.jalousie.server.testbed.Wait;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Another office's program, which knows of ours what the description says: its client is generated from {@code web/openapi.json}
 * by OpenAPI Generator (openapi-generator.tech, Maven Central).
 */
class GeneratedClientTest {
    private static final Testbed BED = Testbed.start();

    private final Office office = new Office(BED.address());

    private ApiClient client(String... scopes) {
        JsonNode program = office.client
                .post(
                        "/api/v1/programs",
                        Map.of(
                                "terms",
                                Map.of("title", "Generated", "scopes", scopes, "forms", List.of(), "perMinute", 600)))
                .json();
        String secret = office.client
                .post("/api/v1/programs/" + program.get("id").asString() + "/keys", Map.of("kind", "BEARER"))
                .json()
                .get("secret")
                .asString();
        ApiClient client = new ApiClient();
        client.updateBaseUri(BED.address());
        client.setRequestInterceptor(request -> request.header("Authorization", "Bearer " + secret));
        return client;
    }

    @Test
    void itMakesAnAgreementFollowsItsWebhooksAndFetchesTheSignedFile() throws Exception {
        UUID template = UUID.fromString(office.publish("By a generated client", Office.loanWording()));
        ApiClient client = client("intake:write", "agreements:write", "programs:write");
        try (Receiver receiver = new Receiver()) {
            WebhookControllerApi webhooks = new WebhookControllerApi(client);
            FreshSecret webhook = webhooks.webhookMake(new NewWebhook()
                    .terms(new WebhookTerms()
                            .title("Generated")
                            .address(receiver.address() + "/")
                            .kinds(List.of(
                                    WebhookTerms.KindsEnum.AGREEMENT_READY, WebhookTerms.KindsEnum.AGREEMENT_COMPLETED))
                            .forms(List.of(template))));
            SentAnswers answers = new SentAnswers()
                    .answers(Map.copyOf(Office.loanValues("Generated")))
                    .agreement(true);
            Accepted accepted = new FormAnswersControllerApi(client).formAnswersTake(template, answers, "generated-1");
            assertThat(new FormAnswersControllerApi(client)
                            .formAnswersTake(template, answers, "generated-1")
                            .getRequest())
                    .isEqualTo(accepted.getRequest());
            assertThat(new IntakeControllerApi(client)
                            .intakeShow(accepted.getRequest())
                            .getRow()
                            .getNumber())
                    .isEqualTo(accepted.getRequest());
            String number = accepted.getAgreement();
            Wait.until(
                    "it is told that it can be sent",
                    () -> receiver.kinds(number).contains("agreement.ready"));
            AgreementControllerApi agreements = new AgreementControllerApi(client);
            agreements.agreementSend(number, new Seen());
            office.sign(office.link(number, "ida.marsh@lender.example.org"), Map.of("lender_vat_number", "XX 4471"));
            office.sign(office.link(number, "tomas.vale@museum.example.org"), Map.of());
            Wait.until(
                    "it is told that all have signed",
                    () -> receiver.kinds(number).contains("agreement.completed"));
            String document =
                    agreements.agreementShow(number).getDocuments().get(0).getId();
            byte[] file = Files.readAllBytes(
                    agreements.agreementDocument(number, document).toPath());
            try (var signed = Loader.loadPDF(file)) {
                assertThat(signed.getSignatureDictionaries()).hasSizeGreaterThanOrEqualTo(2);
            }
            webhooks.webhookEnd(webhook.getWebhook().getId());
        }
    }

    @Test
    void whatIsWrongIsToldInAnswersThatItReads() {
        UUID template = UUID.fromString(office.publish("Refused", Office.loanWording()));
        ApiClient client = client("intake:write");
        try {
            new FormAnswersControllerApi(client)
                    .formAnswersTake(template, new SentAnswers().answers(Map.of("start_date", "soon")), null);
            throw new AssertionError("it was taken");
        } catch (ApiException refused) {
            assertThat(refused.getCode()).isEqualTo(422);
            assertThat(refused.getResponseBody()).contains("start_date").contains("insured_value");
        }
    }
}
