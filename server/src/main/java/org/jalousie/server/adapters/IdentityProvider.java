package org.jalousie.server.adapters;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.jwk.source.JWKSourceBuilder;
import com.nimbusds.jose.proc.BadJOSEException;
import com.nimbusds.jose.proc.JWSVerificationKeySelector;
import com.nimbusds.jose.proc.SecurityContext;
import com.nimbusds.jose.util.DefaultResourceRetriever;
import com.nimbusds.oauth2.sdk.AuthorizationCode;
import com.nimbusds.oauth2.sdk.AuthorizationCodeGrant;
import com.nimbusds.oauth2.sdk.GeneralException;
import com.nimbusds.oauth2.sdk.ResponseType;
import com.nimbusds.oauth2.sdk.Scope;
import com.nimbusds.oauth2.sdk.TokenRequest;
import com.nimbusds.oauth2.sdk.TokenResponse;
import com.nimbusds.oauth2.sdk.auth.ClientSecretBasic;
import com.nimbusds.oauth2.sdk.auth.Secret;
import com.nimbusds.oauth2.sdk.http.HTTPRequest;
import com.nimbusds.oauth2.sdk.id.ClientID;
import com.nimbusds.oauth2.sdk.id.Issuer;
import com.nimbusds.oauth2.sdk.id.State;
import com.nimbusds.oauth2.sdk.pkce.CodeChallengeMethod;
import com.nimbusds.oauth2.sdk.pkce.CodeVerifier;
import com.nimbusds.oauth2.sdk.token.BearerAccessToken;
import com.nimbusds.openid.connect.sdk.AuthenticationRequest;
import com.nimbusds.openid.connect.sdk.Nonce;
import com.nimbusds.openid.connect.sdk.OIDCTokenResponse;
import com.nimbusds.openid.connect.sdk.OIDCTokenResponseParser;
import com.nimbusds.openid.connect.sdk.UserInfoRequest;
import com.nimbusds.openid.connect.sdk.UserInfoResponse;
import com.nimbusds.openid.connect.sdk.claims.IDTokenClaimsSet;
import com.nimbusds.openid.connect.sdk.claims.UserInfo;
import com.nimbusds.openid.connect.sdk.op.OIDCProviderMetadata;
import com.nimbusds.openid.connect.sdk.validators.IDTokenValidator;
import java.io.IOException;
import java.io.Serializable;
import java.net.URI;
import java.net.URL;
import java.util.Optional;
import java.util.Set;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Component;

/** Where the people of an office have their accounts already, by OpenID Connect Core 1.0: the code flow (§ 3.1) with PKCE (RFC 7636). */
@Component
public class IdentityProvider {
    /** Milliseconds; somebody waits at the door. */
    private static final int CONNECT = 3_000;

    private static final int READ = 5_000;
    private static final int LARGEST = 200_000;
    private static final Set<JWSAlgorithm> ALGORITHMS =
            Set.of(JWSAlgorithm.RS256, JWSAlgorithm.PS256, JWSAlgorithm.ES256);

    private final Settings.Identity settings;
    private volatile Known known;

    IdentityProvider(Settings settings) {
        this.settings = settings.identity();
    }

    /** What a provider says of itself, and what its signatures are checked by; fetched when somebody first asks for it. */
    private record Known(OIDCProviderMetadata says, IDTokenValidator validator) {}

    /**
     * Somebody is sent to the provider.
     *
     * @param address where to
     * @param state, {@code nonce}, {@code verifier} what the answer has to fit
     */
    public record Asked(String address, String state, String nonce, String verifier) implements Serializable {}

    /**
     * Who somebody is, as the provider says.
     *
     * @param mail empty where it doesn't say, or hasn't made sure
     */
    public record Proven(String issuer, String subject, String mail) {}

    /** It doesn't answer, or answers what can't be believed. */
    public static final class NotProven extends Exception {
        private final boolean away;

        NotProven(boolean away, Throwable cause) {
            super(cause);
            this.away = away;
        }

        /** Whether it didn't answer. */
        public boolean away() {
            return away;
        }
    }

    /** What it is called; empty where there is none. */
    public String name() {
        return isThere() ? settings.name() : "";
    }

    public boolean isThere() {
        return !settings.issuer().isBlank();
    }

    private Known known() throws NotProven {
        Known before = known;
        if (before != null) return before;
        try {
            Issuer issuer = new Issuer(settings.issuer());
            OIDCProviderMetadata says = OIDCProviderMetadata.resolve(issuer, CONNECT, READ);
            URL keys = says.getJWKSetURI().toURL();
            Known now = new Known(
                    says,
                    new IDTokenValidator(
                            issuer,
                            new ClientID(settings.client()),
                            new JWSVerificationKeySelector<SecurityContext>(
                                    ALGORITHMS,
                                    JWKSourceBuilder.create(keys, new DefaultResourceRetriever(CONNECT, READ, LARGEST))
                                            .build()),
                            null));
            known = now;
            return now;
        } catch (IOException e) {
            throw new NotProven(true, e);
        } catch (GeneralException | RuntimeException e) {
            throw new NotProven(false, e);
        }
    }

    /** @param back where the provider sends somebody to afterwards */
    public Asked ask(URI back) throws NotProven {
        State state = new State();
        Nonce nonce = new Nonce();
        CodeVerifier verifier = new CodeVerifier();
        AuthenticationRequest request = new AuthenticationRequest.Builder(
                        ResponseType.CODE, new Scope("openid", "email"), new ClientID(settings.client()), back)
                .endpointURI(known().says().getAuthorizationEndpointURI())
                .state(state)
                .nonce(nonce)
                .codeChallenge(verifier, CodeChallengeMethod.S256)
                .build();
        return new Asked(request.toURI().toString(), state.getValue(), nonce.getValue(), verifier.getValue());
    }

    /** @param code that somebody came back with from where they were sent */
    public Proven proven(URI back, Asked asked, String code) throws NotProven {
        Known provider = known();
        try {
            HTTPRequest request = new TokenRequest(
                            provider.says().getTokenEndpointURI(),
                            new ClientSecretBasic(new ClientID(settings.client()), new Secret(settings.secret())),
                            new AuthorizationCodeGrant(
                                    new AuthorizationCode(code), back, new CodeVerifier(asked.verifier())),
                            null)
                    .toHTTPRequest();
            TokenResponse answer =
                    OIDCTokenResponseParser.parse(limited(request).send());
            if (!answer.indicatesSuccess())
                throw new NotProven(
                        false, new GeneralException(answer.toErrorResponse().getErrorObject()));
            OIDCTokenResponse tokens = (OIDCTokenResponse) answer.toSuccessResponse();
            IDTokenClaimsSet claims =
                    provider.validator().validate(tokens.getOIDCTokens().getIDToken(), new Nonce(asked.nonce()));
            return new Proven(
                    claims.getIssuer().getValue(),
                    claims.getSubject().getValue(),
                    mail(claims, provider, tokens.getOIDCTokens().getBearerAccessToken()));
        } catch (IOException e) {
            throw new NotProven(true, e);
        } catch (GeneralException | BadJOSEException | JOSEException | RuntimeException e) {
            throw new NotProven(false, e);
        }
    }

    private static HTTPRequest limited(HTTPRequest request) {
        request.setConnectTimeout(CONNECT);
        request.setReadTimeout(READ);
        return request;
    }

    /** An address that the provider has made sure of (§ 5.1, email_verified): in the token, or where it tells more (§ 5.3). */
    private static String mail(IDTokenClaimsSet claims, Known provider, BearerAccessToken token)
            throws IOException, GeneralException {
        if (claims.getStringClaim(UserInfo.EMAIL_CLAIM_NAME) != null)
            return verified(
                    claims.getStringClaim(UserInfo.EMAIL_CLAIM_NAME),
                    claims.getBooleanClaim(UserInfo.EMAIL_VERIFIED_CLAIM_NAME));
        if (provider.says().getUserInfoEndpointURI() == null || token == null) return "";
        UserInfoResponse told = UserInfoResponse.parse(
                limited(new UserInfoRequest(provider.says().getUserInfoEndpointURI(), token).toHTTPRequest())
                        .send());
        if (!told.indicatesSuccess()) return "";
        UserInfo info = told.toSuccessResponse().getUserInfo();
        // what is told of somebody else counts for nothing (§ 5.3.2)
        return info != null && claims.getSubject().equals(info.getSubject())
                ? verified(info.getEmailAddress(), info.getEmailVerified())
                : "";
    }

    private static String verified(String mail, Boolean sure) {
        return Optional.ofNullable(mail)
                .filter(one -> Boolean.TRUE.equals(sure))
                .orElse("");
    }
}
